<script lang="ts">
	/** Inside a form: what keeping it would move in hours, money and the plan, asked of the server as it is typed. */
	import { onMount } from 'svelte';
	import { formatDuration } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import type { Standing } from '$core/answers/standing.ts';
	import type { RecutPiece, RecutTotals } from '$core/answers/recut.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Recut from './Recut.svelte';
	import { isDone } from './formState.ts';
	import { send } from './run.ts';

	interface Props {
		/** `tryEditShape`. */
		action: string;
		unit?: LengthUnit;
		/** Changes whenever the answer may; what is typed in the form does so anyway. */
		of?: string;
		/** Nothing is asked: what is typed cannot be kept. */
		blocked?: boolean;
		currency: string;
		/** What the amounts follow when nothing moves. */
		follows?: boolean;
	}
	let { action, unit = 'mm', of = '', blocked = false, currency, follows = true }: Props = $props();
	/** Long enough to finish a number, mm by mm. */
	const PAUSE = 350;
	let host: HTMLElement;
	let found = $state.raw<{
		before: Standing;
		after: Standing;
		recut: RecutPiece[];
		totals: RecutTotals;
	} | null>(null);
	let asking = $state(false);
	let turn = $state(0);
	onMount(() => {
		const form = host.closest('form')!;
		const typed = () => turn++;
		form.addEventListener('input', typed);
		return () => form.removeEventListener('input', typed);
	});

	$effect(() => {
		void of;
		void turn;
		if (blocked) return;
		const stop = new AbortController();
		asking = true;
		const timer = setTimeout(() => ask(stop.signal), PAUSE);
		return () => {
			clearTimeout(timer);
			stop.abort();
		};
	});

	async function ask(signal: AbortSignal) {
		const form = host.closest('form')!;
		const answer = await send(action, new FormData(form), { signal });
		if (signal.aborted) return;
		found = isDone(answer) ? (answer.result as typeof found) : null;
		asking = false;
	}

	const lines = $derived.by(() => {
		if (!found) return [];
		const { before, after } = found;
		const ready = (s: Standing) => (s.finish === null ? 'nothing planned' : timeWords(s.finish));
		return [
			{
				name: 'Hands-on left',
				from: formatDuration(before.handsOnMinutes),
				to: formatDuration(after.handsOnMinutes)
			},
			{
				name: 'Will cost',
				from: formatMoney(before.totalMinor, currency),
				to: formatMoney(after.totalMinor, currency)
			},
			{ name: 'Last step done', from: ready(before), to: ready(after) }
		];
	});
	const moves = $derived(lines.some((l) => l.from !== l.to));
	const later = $derived(found !== null && found.after.lateMinutes > found.before.lateMinutes);
</script>

<div bind:this={host} class="effect" aria-live="polite" aria-busy={asking}>
	{#if blocked}
		<p class="small soft">Once it gives pieces, this shows what it moves in hours, money and the plan.</p>
	{:else if found}
		{#if moves}
			<p class="small head">If you keep this</p>
			<dl class:asking>
				{#each lines as line (line.name)}
					<div class:same={line.from === line.to}>
						<dt>{line.name}</dt>
						<dd>
							{#if line.from === line.to}{line.to}{:else}<span class="soft">{line.from} →</span>
								<b class:later={later && line.name === 'Last step done'}>{line.to}</b>{/if}
						</dd>
					</div>
				{/each}
			</dl>
			{#if later}<p class="small later">It would be late by more than it is now.</p>{/if}
		{:else}
			<p class="small soft" class:asking>
				Keeping this moves no hours, money or dates{follows
					? '.'
					: ': nothing follows the pieces while the tick above is off.'}
			</p>
		{/if}
		{#if found.recut.length}<Recut pieces={found.recut} totals={found.totals} {unit} />{/if}
	{:else if asking}<p class="small soft">Working out what it moves…</p>{/if}
</div>

<style>
	.effect {
		min-height: 44px;
		margin-top: 10px;
		padding: 8px 12px;
		background: var(--sheet-shade);
		border-left: 4px solid var(--brass);
	}
	.head {
		font-weight: 700;
	}
	dl {
		margin: 4px 0 0;
	}
	dl div {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 12px;
	}
	dd {
		margin: 0;
		font-variant-numeric: tabular-nums;
		font-family: var(--mono);
		font-size: var(--s13);
	}
	.asking {
		opacity: 0.5;
	}
	.later {
		color: var(--red-ink);
	}
</style>
