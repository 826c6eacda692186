<script lang="ts">
	/** Lines of the list under one head, each a large box to tick. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import { valueOf, type Figure } from '$core/explain/figure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Working from '$lib/ui/Working.svelte';
	import type { PackLine } from '$core/answers/packList.ts';

	interface Props {
		title: string;
		/** Of a case: what is in it, and what it takes, kg. */
		weighs?: { figure: Figure; most: number } | null;
		lines: readonly PackLine[];
		there: ReadonlySet<string>;
		/** Why a line is looked at twice. */
		note?: (line: PackLine) => string;
		ontick: (line: PackLine, on: boolean) => void;
		onedit: (componentId: number) => void;
	}
	let { title, weighs = null, lines, there, note = () => '', ontick, onedit }: Props = $props();
</script>

{#if lines.length}
	<section>
		<h3>
			{title}
			{#if weighs}<span class="soft small"
					><Working figure={weighs.figure} text="{formatNumber(valueOf(weighs.figure), 2)} kg" /> of {formatNumber(
						weighs.most,
						1
					)} kg</span
				>{/if}
		</h3>
		<ul class="plain">
			{#each lines as line (line.line)}
				{@const on = there.has(line.line)}
				<li class:on>
					<label>
						<input
							type="checkbox"
							aria-label={line.name}
							checked={on}
							onchange={(e) => ontick(line, e.currentTarget.checked)}
						/>
						<span>{line.name}</span>
						{#if note(line)}<span class="soft small">{note(line)}</span>{/if}
					</label>
					{#if line.luggage}
						<button
							class="button quiet small no-print"
							aria-label="How {line.name} travels"
							onclick={() => onedit(line.luggage!.component.id)}><Pencil size={14} /></button
						>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	section {
		margin-top: 14px;
	}
	h3 {
		margin: 0 0 4px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		border-top: 1px solid var(--rule);
	}
	label {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: center;
		min-height: 36px;
		cursor: pointer;
	}
	input {
		width: 20px;
		height: 20px;
		flex: none;
	}
	.on span {
		color: var(--ink-soft);
	}
	@media (max-width: 700px) {
		label {
			min-height: 48px;
		}
		input {
			width: 26px;
			height: 26px;
		}
	}
	@media print {
		label {
			min-height: 0;
		}
	}
</style>
