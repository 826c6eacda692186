<script lang="ts">
	/** Clear widths, and the costume before each of them. */
	import { passagesOf } from '$core/answers/moving.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { tooWideFigure } from '$core/explain/moving.ts';
	import type { Moving } from '$core/facts/wear.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { capital } from '$core/units/names.ts';
	import Working from '$lib/ui/Working.svelte';

	let { moving, unit }: { moving: Moving | null; unit: LengthUnit } = $props();
	const passages = $derived(passagesOf(moving));
	const scale = $derived(Math.max(...passages.map((p) => Math.max(p.mm, p.its ?? 0))) * 1.04);
	const share = (mm: number) => `${(100 * mm) / scale}%`;
</script>

<ul class="plain">
	{#each passages as p (p.name)}
		<li>
			<span>{capital(p.name)} <span class="soft small">{formatLength(p.mm, unit)}</span></span>
			<span class="room" aria-hidden="true">
				<span class="gap" style:width={share(p.mm)}></span>
				{#if p.its !== null}<i class:bad={!p.passes} style:width={share(p.its)}></i>{/if}
			</span>
			<span class="says" class:bad={p.passes === false}>
				{#if p.its === null}not measured{:else if p.passes}goes through{:else}{@const figure = tooWideFigure(
						p,
						unit
					)}<Working {figure} text="{formatLength(valueOf(figure), unit)} too wide" />{/if}
			</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: 190px minmax(0, 1fr) 130px;
		gap: 12px;
		align-items: center;
		padding: 5px 0;
		border-top: 1px solid var(--rule);
	}
	.room {
		position: relative;
		display: block;
		height: 20px;
	}
	.gap {
		position: absolute;
		inset: 0 auto 0 0;
		border: 2px solid var(--ink);
		border-top: 0;
	}
	i {
		print-color-adjust: exact;
		position: absolute;
		inset: 4px auto 4px 0;
		background: var(--good-ink);
	}
	i.bad {
		background: var(--red-ink);
	}
	.says {
		text-align: right;
	}
	.says.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.room {
			grid-column: 1 / -1;
			grid-row: 2;
		}
	}
</style>
