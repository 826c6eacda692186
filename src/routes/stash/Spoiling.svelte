<script lang="ts">
	/** What of the stash is past its last day or soon will be, on one strip of days from today. */
	import { placeOf, SOON, type Spoiling } from '$core/answers/lots.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import { dayFrom } from '$lib/ui/lotWords.ts';

	interface Props {
		lots: readonly Spoiling[];
		today: number;
		onedit: (lot: number) => void;
	}
	let { lots, today, onedit }: Props = $props();
	const says = ({ day, left, usual }: Spoiling) =>
		left < 0
			? usual
				? 'has no date, and is older than such things usually keep: look at the label'
				: `past since ${dayFrom(day, today)}, counted nowhere any more`
			: usual
				? `has no date; such things usually keep until about ${dayFrom(day, today)}: look at the label`
				: `good until ${dayFrom(day, today)}`;
</script>

<ul class="plain">
	{#each lots as s (s.lot.id)}
		<li>
			<button class="button quiet name" onclick={() => onedit(s.lot.id)}
				><b>{s.material.name}</b>
				<span class="small soft"
					>{formatNumber(s.lot.quantity, 2)}
					{s.material.unit}{placeOf(s.lot, s.material) ? `, ${placeOf(s.lot, s.material)}` : ''}</span
				></button
			>
			<span class="strip" aria-hidden="true">
				{#if s.left >= 0}<span class="left" class:usual={s.usual} style:width="{(s.left / SOON) * 100}%"
					></span>{:else}<span class="past"></span>{/if}
			</span>
			<span class="small says" class:bad={s.left < 0 && !s.usual}
				>{s.left >= 0 && !s.usual ? `${s.left === 0 ? 'last day today' : `${s.left} d left`}, ` : ''}{says(
					s
				)}</span
			>
			<Act
				command="removeLot"
				id={s.lot.id}
				look="quiet"
				label="{s.left < 0 ? 'Throw away' : 'Used up:'} {s.material.name}"
				>{s.left < 0 ? 'Throw away' : 'Used up'}</Act
			>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(180px, 1.2fr) minmax(120px, 1fr) minmax(200px, 1.6fr) 8em;
		gap: 4px 12px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 44px;
	}
	li > :global(form) {
		justify-self: end;
	}
	.name {
		text-align: left;
		display: grid;
		justify-items: start;
		justify-content: start;
		white-space: normal;
		padding-left: 0;
	}
	.strip {
		position: relative;
		height: 12px;
		background: repeating-linear-gradient(
			to right,
			var(--ink-soft) 0 1px,
			var(--sheet-shade) 1px calc(100% / 6)
		);
		border-right: 1px solid var(--ink-soft);
	}
	.left,
	.past {
		position: absolute;
		inset: 0 auto 0 0;
		background: var(--yellow);
		border-right: 2px solid var(--yellow-ink);
	}
	.left.usual {
		opacity: 0.6;
		border-right-style: dashed;
	}
	.past {
		width: 4px;
		background: var(--red-ink);
		border: 0;
	}
	.bad {
		color: var(--red-ink);
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
			padding-block: 6px;
		}
		.strip,
		.says {
			grid-column: 1 / -1;
		}
		.strip {
			grid-row: 2;
		}
		.says {
			grid-row: 3;
		}
	}
</style>
