<script lang="ts">
	/** Layouts of a costume that were kept: to cut by, to lay on, to compare. */
	import X from '@lucide/svelte/icons/x';
	import type { StockUse } from '$core/facts/layout.ts';
	import type { Material } from '$core/facts/material.ts';
	import { timeWords, type LocalMinutes } from '$core/units/localTime.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '../Act.svelte';
	import Sheet from '../Sheet.svelte';
	import { takesWords } from './takesWords.ts';

	interface Props {
		layouts: readonly {
			id: number;
			name: string;
			materialId: number;
			keptAt: LocalMinutes;
			cutAt: LocalMinutes | null;
			use: StockUse;
			offcuts: number;
		}[];
		materials: readonly Material[];
		base: string;
		unit: LengthUnit;
	}
	let { layouts, materials, base, unit }: Props = $props();
	let compared = $state<number[]>([]);
</script>

{#if layouts.length}
	<Sheet title="Kept layouts">
		<ul>
			{#each layouts as l (l.id)}
				{@const roll = materials.find((m) => m.id === l.materialId)?.lengthMm === null}
				<li>
					{#if layouts.length > 1}
						<input
							type="checkbox"
							aria-label="Compare {l.name}"
							value={l.id}
							bind:group={compared}
							disabled={compared.length >= 2 && !compared.includes(l.id)}
						/>
					{/if}
					<div>
						<a href="{base}/lay/{l.id}">{l.name}</a>
						<p class="small soft">
							{takesWords(l.use, l.offcuts, roll, unit)},
							{formatNumber(l.use.density * 100, 1)} % · {l.cutAt === null
								? `kept ${timeWords(l.keptAt)}`
								: `cut ${timeWords(l.cutAt)}`}
						</p>
					</div>
					{#if l.cutAt === null}<a class="small" href="{base}/lay?open={l.id}" data-sveltekit-reload>Lay on</a
						>{/if}
					<Act command="removeLayout" id={l.id} look="quiet" label="Remove {l.name}"><X size={14} /></Act>
				</li>
			{/each}
		</ul>
		{#if layouts.length > 1}
			{#if compared.length === 2}
				<a class="button small" href="{base}/lay/compare?a={compared[0]}&b={compared[1]}">Compare these two</a
				>
			{:else}<p class="small soft">Tick two to compare them.</p>{/if}
		{/if}
	</Sheet>
{/if}

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: flex;
		gap: 8px;
		align-items: center;
		padding: 6px 0;
		border-bottom: 1px solid var(--rule);
	}
	li div {
		flex: 1;
		min-width: 0;
	}
	.button {
		margin-top: 8px;
	}
</style>
