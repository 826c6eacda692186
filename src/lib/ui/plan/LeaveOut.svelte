<script lang="ts">
	/** What could be left out, borrowed or added so that the costume is in time: weighed, tried, taken, taken back. */
	import { of100 } from '$core/units/number.ts';
	import type { CostumeAlternative } from '$core/answers/alternatives.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Step } from '$core/facts/step.ts';
	import { givesUp, undominated, type Triage } from '$core/engines/schedule/triage.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatClock, timeWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Act from '../Act.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Tag from '../Tag.svelte';
	import TaskBar from '../TaskBar.svelte';
	import { TRIAGE_RUNS, weighAlternatives } from '../forecast.svelte.ts';
	import { Task } from '../task.svelte.ts';
	import Table from '../Table.svelte';

	interface Props {
		costumeId: number;
		planKey: string;
		currency: string;
		deadline: LocalMinutes;
		/** In per cent. */
		target: number;
		alternatives: readonly CostumeAlternative[];
		components: readonly Component[];
		leftOut: readonly Step[];
		base: string;
	}
	let { costumeId, planKey, currency, deadline, target, alternatives, components, leftOut, base }: Props =
		$props();
	const task = new Task<'triage'>();
	let found = $state.raw<{ key: string; triage: Triage } | null>(null);
	const key = $derived(`${planKey} ${target}`);
	const triage = $derived(found?.key === key ? found.triage : null);
	const byId = $derived(new Map(alternatives.map((a) => [a.id, a])));
	const component = (id: number | null) => components.find((c) => c.id === id);
	const called = (a: CostumeAlternative) =>
		[component(a.componentId)?.name, a.words].filter(Boolean).join(' ');
	const stillOut = $derived(
		components
			.map((c) => ({ component: c, steps: leftOut.filter((s) => s.componentId === c.id) }))
			.filter((g) => g.steps.length > 0)
	);
	let all = $state(false);
	const FEW = 6;
	const helps = $derived(triage ? triage.alone.filter((w) => w.share > triage.share) : []);
	/** First what nothing else is better than in both; all of it when asked for. */
	const shown = $derived(all ? helps : undominated(helps, alternatives).slice(0, FEW));
	const helpful = $derived(helps.length);

	async function weigh() {
		const asked = key;
		// What the worker needs of them; the rest is for the page.
		const plain = alternatives.map(({ id, leave, shorter, makers, waits, loss, instead }) => ({
			id,
			leave: [...leave],
			...(shorter ? { shorter: JSON.parse(JSON.stringify(shorter)) } : {}),
			...(makers ? { makers: JSON.parse(JSON.stringify(makers)) } : {}),
			...(waits ? { waits: JSON.parse(JSON.stringify(waits)) } : {}),
			loss,
			instead: [...instead]
		}));
		const done = await weighAlternatives(task, costumeId, {
			alternatives: plain,
			deadline,
			target: target / 100
		});
		if (done) found = { key: asked, triage: done };
	}
</script>

{#snippet cost(a: CostumeAlternative)}
	{givesUp(a)
		? `${formatDuration(a.minutes)} less work`
		: `${formatDuration(a.minutes)} more at the bench`}{#if a.savedMinor !== 0},
		{formatMoney(Math.abs(a.savedMinor), currency)}
		{a.savedMinor > 0 ? 'not spent' : 'more spent'}{/if},
	{a.loss > 0 ? `${(a.loss * 100).toFixed(a.loss < 0.1 ? 1 : 0)} % of the look` : 'nothing of the look'}
{/snippet}

{#snippet take(a: CostumeAlternative)}
	{#if a.shapeId !== null}
		<a class="button small" href="{base}/pattern/{a.shapeId}" aria-label="Change it: {called(a)}">Change it</a
		>
	{:else if a.kind === 'buy'}
		<a class="button small" href="{base}/look/{a.componentId}/ways" aria-label="See {called(a)}">See it</a>
	{:else if a.leave.length}
		<Act
			command="leaveOut"
			hidden={{ ids: JSON.stringify(a.leave.map(Number)), what: called(a) }}
			label="Do it: {called(a)}">Do it</Act
		>
	{:else if a.hours?.maker}
		<Act
			command="addHours"
			hidden={{
				makerId: a.hours.maker,
				days: JSON.stringify(a.hours.days),
				from: formatClock(a.hours.from),
				to: formatClock(a.hours.to)
			}}
			label="Do it: {a.words}">Do it</Act
		>
	{:else if a.hours}
		<Act
			command="addHands"
			hidden={{
				name: 'Second maker',
				days: JSON.stringify(a.hours.days),
				from: formatClock(a.hours.from),
				to: formatClock(a.hours.to)
			}}
			label="Do it: {a.words}">Do it</Act
		>
	{/if}
{/snippet}

<div class="ask">
	<Form command="setTarget" label="Target" class="target">
		<Field
			name="targetOdds"
			label="Builds of 100 that should be ready"
			value={target}
			inputmode="numeric"
			hint="by {timeWords(deadline)}"
		/>
		<button class="button small">Set</button>
	</Form>
</div>
{#if alternatives.length}
	<TaskBar
		{task}
		label="Weigh what could be left out"
		going="Weighing what could be left out"
		onstart={weigh}
	/>
{:else}
	<p class="soft">Nothing is open that could be left out.</p>
{/if}

{#if triage}
	<div role="status">
		{#if triage.share >= target / 100}
			<p class="line"><b>{of100(triage.share)} are ready as it stands:</b> nothing has to go.</p>
		{:else if triage.sets.length}
			{#each triage.sets as set, k (set.ids.join())}
				<p class="line">
					{#if k > 0}Without more hours or hands:{/if}
					<b>{of100(set.share)} instead of {of100(triage.share)}</b>
					{set.ids.length === 1 ? 'with this' : 'with these together'}, for {set.loss > 0
						? `${(set.loss * 100).toFixed(1)} % of the look`
						: 'nothing of the look'}:
				</p>
				<ul class="plain">
					{#each set.ids as id (id)}
						{@const a = byId.get(id)!}
						{@const c = component(a.componentId)}
						<li>
							{#if c}<Tag component={c} href="{base}/look/{c.id}" short />{/if}
							<b>{called(a)}</b>
							<span class="soft">{@render cost(a)}</span>
							{@render take(a)}
						</li>
					{/each}
				</ul>
			{/each}
		{:else}
			<p class="line bad">
				Not even all of it together makes {target} of 100 builds ready by {timeWords(deadline)}. As it stands:
				{of100(triage.share)}.
			</p>
		{/if}
	</div>
	{#if shown.length}
		<h3>Each by itself</h3>
		<Table>
			{#snippet heads()}<th>What</th><th class="number">Ready by then</th><th>Ready, usual minutes</th><th
					class="number">Work</th
				><th class="number">Money</th><th class="number">Look</th><th></th>{/snippet}
			{#each shown as w (w.id)}
				{@const a = byId.get(w.id)!}
				<tr>
					<td>{called(a)}</td>
					<td class="number">{of100(w.share)}</td>
					<td>{w.finish === null ? '' : timeWords(w.finish)}</td>
					<td class="number">{givesUp(a) ? '−' : '+'}{formatDuration(a.minutes)}</td>
					<td class="number"
						>{a.savedMinor === 0
							? ''
							: `${a.savedMinor > 0 ? '−' : '+'}${formatMoney(Math.abs(a.savedMinor), currency)}`}</td
					>
					<td class="number">{a.loss > 0 ? `−${(a.loss * 100).toFixed(1)} %` : ''}</td>
					<td>{@render take(a)}</td>
				</tr>
			{/each}
		</Table>
		{#if all || helpful > shown.length}<button
				class="button small quiet"
				type="button"
				onclick={() => (all = !all)}>{all ? 'Fewer' : `All ${helpful} that help`}</button
			>{/if}
		<p class="small soft">
			By {TRIAGE_RUNS.toLocaleString('en')} simulated builds each, so a share may be off by two or three. What is
			left out stays listed here and comes back at a click, or by Undo. Look: by how far each component’s look matters
			and from where it is seen; starting values, from memory. Buying is weighed where a price is kept under a component’s
			ways.
		</p>
	{/if}
{/if}

{#if stillOut.length}
	<h3>Left out now</h3>
	<ul class="plain">
		{#each stillOut as group (group.component.id)}
			<li>
				<Tag component={group.component} href="{base}/look/{group.component.id}" short />
				<span>{group.component.name}: {group.steps.map((s) => s.name).join(', ')}</span>
				<Act
					command="takeBack"
					hidden={{ ids: JSON.stringify(group.steps.map((s) => s.id)) }}
					label="Take {group.component.name} back in">Take back in</Act
				>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.ask :global(.target) {
		display: flex;
		align-items: end;
		gap: 8px;
		flex-wrap: wrap;
	}
	.line {
		margin: 10px 0 6px;
	}
	.bad {
		color: var(--red-ink);
	}
	h3 {
		margin: 14px 0 4px;
	}
</style>
