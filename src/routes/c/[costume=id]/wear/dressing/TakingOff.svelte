<script lang="ts">
	/** What comes off for what, and whether within a minute. */
	import type { Component } from '$core/facts/component.ts';
	import type { DressRecord } from '$core/facts/wear.ts';
	import { REASONS, WITHIN, type ComesOff } from '$core/answers/takingOff.ts';
	import { offMinutesFigure } from '$core/explain/dressing.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		off: readonly ComesOff[];
		wear: DressRecord;
		base: string;
	}
	let { off, wear, base }: Props = $props();
	const minutes = (n: number | null) => (n === null ? 'not' : `${formatNumber(n, 1)} min`);
	const slow = $derived(off.filter((o) => (o.helped ?? Infinity) > WITHIN));
	const figureOf = (component: Component) => offMinutesFigure(component, wear);
</script>

<Sheet title="What comes off, and how fast">
	<p class="answer" class:bad={slow.length > 0}>
		{#if slow.length}With a helper, {slow.map((o) => REASONS[o.reason].words).join('; ')}
			{slow.length === 1 ? 'takes' : 'take'} more than a minute.
		{:else}Everything that matters is off within a minute, with a helper.{/if}
	</p>
	<ul class="plain">
		{#each off as o (o.reason)}
			<li>
				<b>{capital(REASONS[o.reason].words)}</b>
				<span class="tags">
					{#each o.components as component (component.id)}
						{@const figure = figureOf(component)}
						<span class="one"
							><Tag {component} href="{base}/wear/{component.id}" /><Working
								{figure}
								text={minutes(valueOf(figure))}
							/></span
						>
					{:else}<span class="soft">nothing is in the way</span>{/each}
				</span>
				<span class="mono" class:bad={(o.alone ?? Infinity) > WITHIN}>{minutes(o.alone)} alone</span>
				<span class="mono" class:bad={(o.helped ?? Infinity) > WITHIN}>{minutes(o.helped)} helped</span>
			</li>
		{/each}
	</ul>
	<p class="small soft">
		The other way round than it goes on: what lies over a thing, or hangs on it, first. Whoever goes along
		knows the fasteners; cloth can be cut. Dizzy, sick or no longer sweating: out of it, shade, water, and
		call for help. A join that breaks away is off at once.
	</p>
</Sheet>

<style>
	.answer {
		font: 600 var(--s20) / 1.25 var(--head);
		color: var(--good-ink);
	}
	.bad {
		color: var(--red-ink);
	}
	li {
		display: grid;
		grid-template-columns: 170px minmax(0, 1fr) 130px 140px;
		gap: 12px;
		align-items: center;
		padding: 6px 0;
		border-top: 1px solid var(--rule);
	}
	.tags,
	.one {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 12px;
		align-items: center;
	}
	.one {
		gap: 6px;
		font-family: var(--mono);
		font-size: var(--s13);
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
		white-space: nowrap;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: 1fr 1fr;
			gap: 4px 12px;
		}
		li b,
		.tags {
			grid-column: 1 / -1;
		}
		.mono {
			text-align: left;
		}
	}
</style>
