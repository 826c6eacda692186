<script lang="ts">
	/** Hours and money against what was planned. */
	import pluralize from 'pluralize';
	import { untoldSteps, type WorkDone } from '$core/answers/afterEvent.ts';
	import { workFigure } from '$core/explain/health.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import type { LearnedRate } from '$core/facts/workshop.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Table from '$lib/ui/Table.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		work: readonly WorkDone[];
		money: { spentMinor: number; totalMinor: number };
		costume: Costume;
		learned: readonly LearnedRate[];
	}
	let { work, money, costume, learned }: Props = $props();
	const told = $derived(work.filter((w) => w.steps > 0));
	const untold = $derived(untoldSteps(work));
	const logged = $derived(workFigure(work, 'logged'));
	const planned = $derived(workFigure(work, 'planned'));
	const most = $derived(Math.max(1, ...told.flatMap((w) => [w.planned, w.logged])));
	const nowTakes = (w: WorkDone) => {
		const rate = learned.find((l) => l.technique === w.technique);
		return rate ? `${formatNumber(rate.now[1] / rate.before[1], 2)} ×` : '';
	};
	const share = (minutes: number) => `${(100 * minutes) / most}%`;
</script>

<Sheet title="What it took">
	{#if told.length}
		<p class="answer">
			<Working figure={logged} text={formatDuration(valueOf(logged))} /> of <Working
				figure={planned}
				text={formatDuration(valueOf(planned))}
			/>
		</p>
		{#if money.totalMinor}<p class="answer">
				{formatMoney(money.spentMinor, costume.currency)}{costume.limitMinor === null
					? ''
					: ` of ${formatMoney(costume.limitMinor, costume.currency)}`}
			</p>{/if}
		<Table>
			{#snippet heads()}<th>Work</th><th class="number">Planned</th><th class="number">Logged</th><th
					class="bars"
				></th><th class="number">From now on</th>{/snippet}
			{#each told as w (w.technique)}
				<tr>
					<td>{w.name}</td>
					<td class="number soft">{formatDuration(w.planned)}</td>
					<td class="number" class:more={w.logged > w.planned}>{formatDuration(w.logged)}</td>
					<td class="bars" aria-hidden="true"
						><span class="planned" style:width={share(w.planned)}></span><span
							class="logged"
							style:width={share(w.logged)}
						></span></td
					>
					<td class="number small">{nowTakes(w)}</td>
				</tr>
			{/each}
		</Table>
		<p class="small soft">
			Planned before anything was logged, on the amounts as they are; “from now on” is how much longer a metre
			or a piece is planned than then: <a href="/makers">rates</a> take the logs in. Cures are not counted.
			{#if untold}{pluralize('finished step', untold, true)}
				{untold === 1 ? 'has' : 'have'} no minutes.{/if}
		</p>
	{:else}
		<p>No finished step has minutes yet: the Bench logs them.</p>
	{/if}
</Sheet>

<style>
	.answer {
		font: 600 var(--s24) / 1.3 var(--head);
	}
	.answer :global(button) {
		font: inherit;
	}
	.more {
		color: var(--red-ink);
		font-weight: 600;
	}
	.bars {
		width: 26%;
	}
	.bars span {
		display: block;
		height: 6px;
		print-color-adjust: exact;
	}
	.planned {
		background: var(--rule);
	}
	.logged {
		background: var(--brass);
	}
	@media (max-width: 700px) {
		.bars {
			display: none;
		}
	}
</style>
