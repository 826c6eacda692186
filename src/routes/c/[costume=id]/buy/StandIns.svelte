<script lang="ts">
	/** What could stand in for a material: each tried out as it would be done, in money, hours, the plan and its odds. */
	import { of100 } from '$core/units/number.ts';
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import type { ShoppingLine } from '$core/answers/shopping.ts';
	import { standInsFor, type StandIn } from '$core/answers/standIn.ts';
	import { movedBy, type Standing } from '$core/answers/standing.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Offer } from '$core/facts/supplier.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { dayWords, timeWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { good } from '$core/units/problem.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { readyBy, TRIAGE_RUNS } from '$lib/ui/forecast.svelte.ts';
	import { isDone, isFailure } from '$lib/ui/formState.ts';
	import { send } from '$lib/ui/run.ts';
	import { LongWork } from '$lib/ui/task.svelte.ts';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import OddsBar from './OddsBar.svelte';
	import { laidAnew } from '$lib/ui/buy/laidAnew.ts';
	import { comesWords } from './comesWords.ts';
	import type { PlanRequest } from '../../../../workers/protocol.ts';

	interface Props {
		/** Of the material; null while closed. */
		id: number | null;
		lines: readonly ShoppingLine[];
		orders: readonly OrderBy[];
		deadline: LocalMinutes;
		record: CostumeRecord;
		workshop: Workshop;
		offers: readonly Offer[];
		now: LocalMinutes;
	}
	let { id = $bindable(), lines, orders, deadline, record, workshop, offers, now }: Props = $props();
	const { currency } = $derived(record.costume);
	const line = $derived(lines.find((l) => l.material.id === id));
	const order = $derived(orders.find((o) => o.material.id === id));
	const standIns = $derived(line ? standInsFor(line, { record, workshop, offers, now }) : []);

	/** What became of one when it was tried out. */
	interface Tried {
		before: Standing;
		after: Standing;
		share: number;
		/** As its pieces were laid out on what stands in; `null` where there are none. */
		laid: string;
	}
	let tried = $state.raw<Record<string, Tried | { refused: string }>>({});
	let share = $state<number | null>(null);
	const work = new LongWork();

	async function tryAll(material: number, all: readonly StandIn[]) {
		tried = {};
		share = null;
		await work.run(async (signal, progress) => {
			const count = all.length + 1;
			const part = (k: number) => (done: number) => progress((k + done) / count);
			const asItStands = await readyBy(record.costume.id, null, deadline, part(0), signal);
			if (!asItStands.ok) return asItStands;
			share = asItStands.value;
			for (const [k, s] of all.entries()) {
				const { key } = s;
				const plan = s.kind === 'cut' ? await laidAnew(record.costume.id, material, s, signal) : null;
				const laid = JSON.stringify(plan);
				const answer = await send('tryTakeStandIn', { materialId: material, key, laid }, { signal });
				if (isFailure(answer)) tried = { ...tried, [key]: { refused: answer.message } };
				if (!isDone(answer) || !answer.result) continue;
				const found = answer.result as Omit<Tried, 'share'> & {
					builds: Pick<PlanRequest, 'problem' | 'order'>;
				};
				const ready = await readyBy(record.costume.id, found.builds, deadline, part(k + 1), signal);
				if (!ready.ok) return ready;
				tried = { ...tried, [key]: { before: found.before, after: found.after, share: ready.value, laid } };
			}
			return good(null);
		});
	}
	// The server is the outside world: it tries them out as long as somebody looks.
	$effect(() => {
		if (id === null) return;
		const [material, all] = [id, standIns];
		void tryAll(material, all);
		return () => work.stop();
	});

	const isTried = (t: Tried | { refused: string } | undefined): t is Tried => !!t && 'share' in t;
	const shareOf = (s: StandIn) => {
		const its = tried[s.key];
		return isTried(its) ? its.share : -1;
	};
	/** In the order in which they come until all are known; then what helps most first. */
	const shown = $derived(
		work.progress === null ? [...standIns].sort((a, b) => shareOf(b) - shareOf(a)) : standIns
	);
	const signed = (amount: number, format: (n: number) => string) =>
		`${amount > 0 ? '+' : '−'}${format(Math.abs(amount))}`;
	function facts(s: StandIn, { before, after }: Tried): string[] {
		const { minor, minutes } = movedBy(before, after);
		return [
			minor === 0 ? 'costs no more' : signed(minor, (m) => formatMoney(m, currency)),
			minutes === 0 ? 'no more work' : `${signed(minutes, formatDuration)} of work`,
			s.loss > 0 ? `${(s.loss * 100).toFixed(1)} % of the look` : 'nothing of the look',
			after.finish === null
				? 'it has no place in the plan'
				: after.finish === before.finish
					? 'the plan ends when it did'
					: `done ${timeWords(after.finish)}${before.finish === null ? '' : `, not ${timeWords(before.finish)}`}`
		];
	}
</script>

<Dialog
	bind:open={() => id !== null, (open) => (id = open ? id : null)}
	title="Instead of {line?.material.name ?? ''}"
	wide
>
	<p class="stands">
		{#if order && line}{line.material.name} {comesWords(order, now)}.{/if}
		{#if share !== null}<b>{of100(share)}</b> builds are ready by {timeWords(deadline)} as it stands.{/if}
	</p>
	{#if standIns.length}
		<TaskBar task={work} going="Trying out what could stand in" />
		<ul>
			{#each shown as s (s.key)}
				{@const its = tried[s.key]}
				<li>
					<div class="what">
						<b>{s.words}</b>
						<span class="small soft"
							>{s.arrives === null
								? s.missing.length
									? ''
									: 'nothing has to come'
								: `comes ${dayWords(s.arrives)}`}</span
						>
						{#if s.missing.length}<span class="small missing"
								>No material stands for {s.missing.join(' and ')} yet: not in the money.</span
							>{/if}
					</div>
					{#if isTried(its)}
						<OddsBar share={its.share} before={share} />
						<ul class="facts small">
							{#each facts(s, its) as fact (fact)}<li>{fact}</li>{/each}
						</ul>
						<Act
							command="takeStandIn"
							hidden={{ materialId: id, key: s.key, laid: its.laid }}
							label="Do it: {s.words}"
							onDone={() => (id = null)}>Do it</Act
						>
					{:else if its}
						<p class="small refused">{its.refused}</p>
					{:else}
						<p class="small soft">not tried out yet</p>
					{/if}
				</li>
			{/each}
		</ul>
		<p class="small soft">
			The bar is builds ready in time, the mark as it stands: {TRIAGE_RUNS.toLocaleString('en')} simulated builds
			each, so a share may be off by two or three. Doing it changes needs, steps and the list in one; Undo takes
			it back. What is ordered stays ordered. Pieces are laid out anew on what stands in, and kept so under Lay.
			Look: starting values, from memory.
		</p>
	{:else}
		<p class="soft">
			Nothing that is known stands in for it. Enter what another shop sells under its Offers in the Stash, or
			a material that could take its place. What could be left out instead is weighed under Plan.
		</p>
	{/if}
</Dialog>

<style>
	ul {
		list-style: none;
		margin: 8px 0;
		padding: 0;
	}
	ul > li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 190px auto;
		gap: 4px 14px;
		align-items: center;
		padding: 10px 0;
		border-top: 1px solid var(--rule);
	}
	.what {
		display: grid;
	}
	ul.facts {
		grid-column: 1 / 3;
		grid-row: 2;
		display: flex;
		flex-wrap: wrap;
		gap: 2px 16px;
		margin: 0;
	}
	ul.facts > li {
		display: block;
		padding: 0;
		border: 0;
	}
	.missing,
	.refused {
		color: var(--yellow-ink);
	}
	@media (max-width: 640px) {
		ul > li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.what,
		ul.facts {
			grid-column: 1 / 3;
		}
		ul.facts {
			grid-row: 3;
		}
		ul > li > :global(form) {
			grid-column: 2;
			grid-row: 2;
		}
	}
</style>
