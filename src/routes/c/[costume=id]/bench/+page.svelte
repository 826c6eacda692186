<script lang="ts">
	import PackageOpen from '@lucide/svelte/icons/package-open';
	import { onMount, untrack } from 'svelte';
	import type { ReadyStep } from '$core/answers/today.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { dayOf, timeWords } from '$core/units/localTime.ts';
	import RunningTimer from '$lib/ui/RunningTimer.svelte';
	import { dialogIsOpen, isTyping, pressing } from '$lib/ui/pressing.ts';
	import Drying from '$lib/ui/Drying.svelte';
	import { readAnew } from '$lib/ui/readAnew.ts';
	import { runningClock } from '$lib/ui/runningClock.svelte.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import Now from '$lib/ui/Now.svelte';
	import DoNow from './DoNow.svelte';
	import TimeAtHand from './TimeAtHand.svelte';
	import ReadyRow from './ReadyRow.svelte';
	import LogMinutes from './LogMinutes.svelte';
	import BenchOf from './BenchOf.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const today = $derived(data.today);
	const several = $derived(data.workshop.makers.length > 1);
	const nameOf = (id: number | null) => data.workshop.makers.find((m) => m.id === id)?.name ?? 'Somebody';
	// svelte-ignore state_referenced_locally
	let maker = $state(String(data.maker ?? data.workshop.makers[0]?.id ?? ''));
	const isOwn = (log: { makerId: number | null }) => String(log.makerId ?? '') === maker;
	/** The timer of who stands here. */
	const own = $derived(today.running.find(isOwn) ?? null);
	/** What to do now, when nothing is under way. */
	const first = $derived(own ? undefined : today.ready[0]);
	const elsewhere = $derived(own ? null : (data.running.find(isOwn) ?? null));

	// The clock of the page. It asks for fresh data when the next coat is dry.
	const running = runningClock(() => data.now);
	const clock = $derived(running.now);
	// svelte-ignore state_referenced_locally
	let seen = clock;
	$effect(() => {
		const [before, now] = [seen, clock];
		seen = now;
		if (untrack(() => today.drying.some((d) => d.until > before && d.until <= now))) void readAnew();
	});
	onMount(() => {
		// Whose bench a device stands at stays the same, unless the address says otherwise.
		const before = data.maker === null ? localStorage.getItem('dapper maker') : null;
		if (data.workshop.makers.some((m) => String(m.id) === before)) maker = before!;
	});
	const finishing = $derived(
		today.drying.length
			? today.ready.filter((r) => r.fitsInWait && r.opensAt === null && r.step.id !== first?.step.id)
			: []
	);
	/** Still to be done today where it has to be dry. */
	const outdoors = $derived(
		today.ready.filter((r) => r.dryOnly && (r.opensAt === null || dayOf(r.opensAt) === dayOf(clock))).length
	);
	const rest = $derived(today.ready.filter((r) => r !== first && !finishing.includes(r)));
	let logging = $state<{ stepId: number; name: string } | null>(null);
	const log = ({ step, component }: ReadyStep) =>
		(logging = { stepId: step.id, name: `${component.code} ${step.name}` });
	const recent = $derived(data.record.logs.filter((l) => l.endedAt !== null).slice(0, 8));
	const stepOf = (id: number) => data.record.steps.find((s) => s.id === id);
	const codeOf = (id: number) =>
		data.record.components.find((c) => c.id === stepOf(id)?.componentId)?.code ?? '';

	/** Space starts the most urgent step, or stops what runs; on a button it presses the button. */
	const press = pressing({
		timer: () => document.querySelector<HTMLButtonElement>(own ? '[data-stop]' : '[data-start]')?.click()
	});
	function onkeydown(event: KeyboardEvent) {
		const onButton = (event.target as HTMLElement).closest('button, a, summary') !== null;
		if (!onButton && !isTyping(event.target) && !dialogIsOpen()) press(event);
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Bench · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#each today.running as log (log.id)}
	{@const step = stepOf(log.stepId)}
	{@const component = data.record.components.find((c) => c.id === step?.componentId)}
	{#if step && component}
		<RunningTimer
			{log}
			{step}
			{component}
			href="{base}/look/{component.id}"
			photos={data.record.photos.filter((p) => p.stepId === step.id)}
			{clock}
			maker={several ? nameOf(log.makerId) : undefined}
			own={log.id === own?.id}
		/>
	{/if}
{/each}
{#if own}
	{#if several}
		<Sheet
			><div class="row">
				<BenchOf makers={data.workshop.makers} bind:maker /><span class="small soft"
					>is at the bench. Another maker starts here too.</span
				>
			</div></Sheet
		>
	{/if}
{:else if first}
	<DoNow {first} {base} record={data.record} workshop={data.workshop} bind:maker onlog={log} />
{:else}
	<Now>
		<h2>
			{today.drying.length
				? 'Nothing to do but wait'
				: today.held.length
					? 'Waiting for parcels'
					: 'Nothing to do now'}
		</h2>
		<p>
			{data.record.steps.some((s) => s.doneAt === null)
				? 'What is left waits for something below, or for another step.'
				: data.record.steps.length
					? 'Every step is done. Test wear, pack, enjoy it.'
					: 'Steps come with a component’s route, under Look.'}
		</p>
		{#if !data.record.components.length}<p>
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	</Now>
{/if}
<TimeAtHand
	{base}
	{maker}
	makers={data.workshop.makers}
	asked={{ typed: data.haveTyped, minutes: data.have, problem: data.haveProblem, maker: data.maker }}
	windowLeft={data.windowLeft}
	session={data.session}
	batches={data.batches}
	{outdoors}
/>
{#if elsewhere}<p class="elsewhere">
		{several ? `${elsewhere.maker ?? 'Somebody'}’s timer` : 'The timer'} runs on another costume:
		<a href="/c/{elsewhere.costumeId}/bench">{elsewhere.code} {elsewhere.name}</a>. Starting here stops it
		there.
	</p>{/if}

{#if today.drying.length}
	<Sheet title="Drying">
		<Drying drying={today.drying} now={clock} {base} />
		{#if finishing.length}
			<h3 class="meanwhile">Fits in the waiting</h3>
			<ul class="ruled">
				{#each finishing as r (r.step.id)}<ReadyRow ready={r} {base} {maker} onlog={log} />{/each}
			</ul>
		{/if}
	</Sheet>
{/if}

{#if rest.length}
	<Sheet title="Also ready, most urgent first">
		<ul class="ruled">
			{#each rest as r (r.step.id)}<ReadyRow ready={r} {base} {maker} onlog={log} />{/each}
		</ul>
	</Sheet>
{/if}

{#if today.held.length}
	<Sheet title="Held: material is missing">
		<ul class="ruled">
			{#each today.held as h (h.step.id)}
				<li>
					<PackageOpen size={16} aria-hidden="true" />
					<Tag component={h.component} href="{base}/look/{h.component.id}" short />
					<span class="what"><b>{h.step.name}</b></span>
					<span>{h.material}</span>
					{#if h.bought}<span class="figure">there {timeWords(h.usableFrom)}</span>
					{:else}<span
							><a href="{base}/buy">not bought</a>, at the soonest
							<span class="figure">{timeWords(h.usableFrom)}</span></span
						>{/if}
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

<Sheet title="Log">
	{#if recent.length}
		<ul class="ruled">
			{#each recent as log (log.id)}
				<li>
					<span class="figure small">{timeWords(log.startedAt)}</span>
					<span class="what"
						><b>{codeOf(log.stepId)} {stepOf(log.stepId)?.name}</b> <span class="soft">{log.note}</span></span
					>
					<span class="figure">{formatDuration(log.minutes)}</span>
				</li>
			{/each}
		</ul>
	{:else}<p class="soft">
			Nothing logged yet. Start the timer with the space bar, or log minutes afterwards.
		</p>{/if}
</Sheet>
<LogMinutes bind:step={logging} {maker} {clock} />

<style>
	.elsewhere {
		background: var(--pink-wash);
		color: var(--ink);
		padding: 8px 12px;
	}
	.meanwhile {
		margin: 14px 0 4px;
	}
</style>
