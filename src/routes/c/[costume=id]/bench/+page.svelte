<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Check from '@lucide/svelte/icons/check';
	import CloudRain from '@lucide/svelte/icons/cloud-rain';
	import Hourglass from '@lucide/svelte/icons/hourglass';
	import PackageOpen from '@lucide/svelte/icons/package-open';
	import PencilLine from '@lucide/svelte/icons/pencil-line';
	import Play from '@lucide/svelte/icons/play';
	import { invalidateAll } from '$app/navigation';
	import { onMount } from 'svelte';
	import type { ReadyStep } from '$core/answers/today.ts';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import { dayOf, formatClock, clockOf, formatLocalTime, timeWords } from '$core/units/localTime.ts';
	import { stepFigure } from '$core/explain/plan.ts';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import RunningTimer from '$lib/ui/RunningTimer.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { amountWords } from '$lib/ui/amounts.ts';
	import { roughWait } from '$lib/ui/words.ts';
	import type { PageData } from './$types';

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
	// It runs on from the server's: a phone may live in another hour.
	// svelte-ignore state_referenced_locally
	let clock = $state(data.now);
	const since = $derived({ server: data.now, shown: performance.now() });
	onMount(() => {
		// Whose bench a device stands at stays the same, unless the address says otherwise.
		const before = data.maker === null ? localStorage.getItem('dapper maker') : null;
		if (data.workshop.makers.some((m) => String(m.id) === before)) maker = before!;
		const timer = setInterval(() => {
			const before = clock;
			clock = since.server + Math.floor((performance.now() - since.shown) / 60_000);
			if (today.drying.some((d) => d.until > before && d.until <= clock)) invalidateAll();
		}, 5000);
		return () => clearInterval(timer);
	});
	const finishing = $derived(
		today.drying.length
			? today.ready.filter((r) => r.fitsInWait && r.opensAt === null && r.step.id !== first?.step.id)
			: []
	);
	/** Still to be done today where it has to be dry. */
	const outdoors = $derived(
		today.ready.filter((r) => r.dryOnly && (r.opensAt === null || dayOf(r.opensAt) === dayOf(clock)))
	);
	const rest = $derived(today.ready.filter((r) => r !== first && !finishing.includes(r)));
	let logging = $state<{ stepId: number; name: string } | null>(null);
	const recent = $derived(data.record.logs.filter((l) => l.endedAt !== null).slice(0, 8));
	const stepOf = (id: number) => data.record.steps.find((s) => s.id === id);
	const codeOf = (id: number) =>
		data.record.components.find((c) => c.id === stepOf(id)?.componentId)?.code ?? '';

	const slackWords = (r: ReadyStep) =>
		r.slackMinutes === null
			? ''
			: r.slackMinutes < 0
				? `${roughWait(-r.slackMinutes)} too late already`
				: `can wait ${roughWait(r.slackMinutes)}`;

	/** Space starts the most urgent step, or stops what runs. */
	function onkeydown(event: KeyboardEvent) {
		const target = event.target as HTMLElement;
		if (
			event.key !== ' ' ||
			/^(INPUT|TEXTAREA|SELECT|BUTTON|A|SUMMARY)$/.test(target.tagName) ||
			document.querySelector('dialog[open]')
		)
			return;
		event.preventDefault();
		document.querySelector<HTMLButtonElement>(own ? '[data-stop]' : '[data-start]')?.click();
	}
	const untilWords = (until: number) =>
		dayOf(until) === dayOf(clock)
			? `${formatClock(clockOf(until))}, in ${formatWait(Math.max(0, until - clock))}`
			: timeWords(until);
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Bench · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#snippet whose()}
	<label class="maker small"
		>Maker <select bind:value={maker} onchange={() => localStorage.setItem('dapper maker', maker)}
			>{#each data.workshop.makers as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}</select
		></label
	>
{/snippet}

{#snippet line(r: ReadyStep)}
	<li>
		<Tag component={r.component} href="{base}/look/{r.component.id}#step-{r.step.id}" short />
		<span class="what"><b>{r.step.name}</b> <span class="small soft">{r.component.name}</span></span>
		<span class="figure">{formatDuration(r.minutes)}</span>
		<span class="small soft slack"
			>{r.opensAt !== null ? `place opens ${timeWords(r.opensAt)}` : slackWords(r)}</span
		>
		<span class="row acts">
			<Act
				command="startTimer"
				hidden={{ stepId: r.step.id, makerId: maker }}
				label="Start {r.step.name} of {r.component.code}"><Play size={14} /> Start</Act
			>
			<button
				class="button small quiet"
				onclick={() => (logging = { stepId: r.step.id, name: `${r.component.code} ${r.step.name}` })}
				aria-label="Log {r.step.name} of {r.component.code}"><PencilLine size={14} /> Log</button
			>
		</span>
	</li>
{/snippet}

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
		<div class="sheet row">
			{@render whose()}<span class="small soft">is at the bench. Another maker starts here too.</span>
		</div>
	{/if}
{:else if first}
	<section class="now" aria-label="Do now">
		<p class="small">
			{first.opensAt === null ? 'Do now' : `Next, when its place opens ${timeWords(first.opensAt)}`}
		</p>
		<h2>{first.step.name}</h2>
		<p class="row">
			<Tag component={first.component} href="{base}/look/{first.component.id}#step-{first.step.id}" />
			<span>{amountWords(first.step, data.workshop)}</span>
			<Working
				figure={stepFigure(first.step, first.component, data.record, data.workshop)}
				text="{formatDuration(first.minutes)} hands-on"
			/>
			{#if first.step.waitMinutes}<span class="soft">then waits {formatWait(first.step.waitMinutes)}</span
				>{/if}
			{#if first.slackMinutes !== null}<span class:bad={first.slackMinutes < 0}>{slackWords(first)}</span
				>{/if}
			{#if first.step.oneSitting}<span>one sitting</span>{/if}
			{#if first.step.needsHelper}<span>needs a helper</span>{/if}
		</p>
		<Caution keys={cautionsFor(handbook(), first.step.technique)} />
		<div class="row start">
			<Form command="startTimer" hidden={{ stepId: first.step.id, makerId: maker }} label="Start the timer">
				<button class="button main big" data-start><Play size={18} /> Start</button>
			</Form>
			<Act command="finishStep" id={first.step.id} small={false}><Check size={16} /> Done already</Act>
			<button
				class="button"
				onclick={() =>
					(logging = { stepId: first.step.id, name: `${first.component.code} ${first.step.name}` })}
				><PencilLine size={16} /> Log minutes</button
			>
			{#if several}{@render whose()}{/if}
		</div>
	</section>
{:else}
	<section class="now" aria-label="Do now">
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
	</section>
{/if}
<section class="sheet have" aria-label="Time at hand">
	<form method="get" class="row" data-sveltekit-keepfocus data-sveltekit-noscroll>
		<label for="have">I have</label>
		<input
			id="have"
			name="have"
			value={data.haveTyped}
			placeholder={data.windowLeft !== null ? formatDuration(data.windowLeft) : '40m'}
			aria-invalid={data.haveProblem !== null}
			aria-describedby={data.haveProblem ? 'have-problem' : undefined}
		/>
		{#if data.workshop.makers.length > 1}
			<label for="bench-of">Bench of</label>
			<select id="bench-of" name="maker" value={data.maker === null ? '' : String(data.maker)}>
				<option value="">everybody</option>
				{#each data.workshop.makers as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}
			</select>
		{/if}
		<button class="button small">Show</button>
		{#if data.windowLeft !== null}<span class="small soft"
				>{formatDuration(data.windowLeft)} left of this window</span
			>{/if}
	</form>
	{#if data.haveProblem}<p class="error" id="have-problem" role="alert">{data.haveProblem}</p>{/if}
	{#if data.session}
		{#if data.session.length}
			<ol class="list">
				{#each data.session as part (part.ready.step.id)}
					<li>
						<Tag
							component={part.ready.component}
							href="{base}/look/{part.ready.component.id}#step-{part.ready.step.id}"
							short
						/>
						<span class="what"
							><b>{part.ready.step.name}</b>
							{#if !part.whole}<span class="small soft">begun, it may be set aside</span>{/if}
							{#if part.whole && part.ready.step.waitMinutes}<span class="small soft"
									>then waits {formatWait(part.ready.step.waitMinutes)}</span
								>{/if}</span
						>
						<span class="figure">{formatDuration(part.minutes)}</span>
						<Act
							command="startTimer"
							hidden={{ stepId: part.ready.step.id, makerId: maker }}
							label="Start {part.ready.step.name} of {part.ready.component.code} now"
							><Play size={14} /> Start</Act
						>
					</li>
				{/each}
			</ol>
			<p class="small soft">
				{formatDuration(data.session.reduce((sum, p) => sum + p.minutes, 0))} of {formatDuration(data.have!)}:
				the most urgent that fits together; what waits afterwards first.
			</p>
		{:else}<p class="soft">Nothing that is ready fits in {formatDuration(data.have!)}.</p>{/if}
	{/if}
	{#if data.batches.length}
		<p class="batches">
			<b>Together:</b>
			{#each data.batches as batch, k (batch.words)}{k > 0 ? '; ' : ''}{batch.words}
				({batch.steps.map((s) => s.component.code).join(', ')}{batch.savedMinutes > 0
					? `, ${formatDuration(batch.savedMinutes)} of setting out saved`
					: ''}){/each}
		</p>
	{/if}
	{#if outdoors.length}
		<div class="row outdoors">
			<span>
				{outdoors.length === 1
					? 'One step that is ready needs'
					: `${outdoors.length} steps that are ready need`} dry weather.
			</span>
			<Act command="tooWet"><CloudRain size={14} /> Too wet today</Act>
		</div>
	{/if}
</section>
{#if elsewhere}<p class="elsewhere">
		{several ? `${elsewhere.maker ?? 'Somebody'}’s timer` : 'The timer'} runs on another costume:
		<a href="/c/{elsewhere.costumeId}/bench">{elsewhere.code} {elsewhere.name}</a>. Starting here stops it
		there.
	</p>{/if}

{#if today.drying.length}
	<Sheet title="Drying">
		<ul class="list">
			{#each today.drying as d (d.step.id)}
				<li>
					<Hourglass size={16} aria-hidden="true" />
					<Tag component={d.component} href="{base}/look/{d.component.id}" short />
					<span class="what"><b>{d.step.name}</b></span>
					<span class="until figure">until {untilWords(d.until)}</span>
					{#if d.next}<span class="small soft">then {d.next.name}</span>{/if}
				</li>
			{/each}
		</ul>
		{#if finishing.length}
			<h3 class="meanwhile">Fits in the waiting</h3>
			<ul class="list">
				{#each finishing as r (r.step.id)}{@render line(r)}{/each}
			</ul>
		{/if}
	</Sheet>
{/if}

{#if rest.length}
	<Sheet title="Also ready, most urgent first">
		<ul class="list">
			{#each rest as r (r.step.id)}{@render line(r)}{/each}
		</ul>
	</Sheet>
{/if}

{#if today.held.length}
	<Sheet title="Held: material is missing">
		<ul class="list">
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
		<ul class="list">
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

<Dialog
	bind:open={
		() => logging !== null,
		(open) => {
			if (!open) logging = null;
		}
	}
	title="Log minutes: {logging?.name ?? ''}"
>
	{#if logging}
		<Form
			command="logWork"
			hidden={{ stepId: logging.stepId, makerId: maker }}
			onDone={() => (logging = null)}
			label="Log minutes"
		>
			<div class="fields">
				<Field name="minutes" label="Worked" hint="e.g. 45m, 1h20" />
				<Field name="endedAt" label="Until" type="datetime-local" value={formatLocalTime(clock)} />
				<Field name="note" label="Note" type="area" wide />
			</div>
			<div class="row">
				<Tick name="finish" label="The step is done" />
				<Tick name="anyway" label="Even against a warning" />
			</div>
			<p class="end"><button class="button main">Log it</button></p>
		</Form>
	{/if}
</Dialog>

<style>
	.now {
		background: var(--sheet);
		border-left: 8px solid var(--pink);
		padding: 16px 20px;
		display: grid;
		gap: 10px;
		box-shadow: var(--shadow);
	}
	.now h2 {
		font-size: var(--s36);
		line-height: 1.05;
	}
	.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	.big {
		min-height: 52px !important;
		padding: 8px 28px !important;
		font-size: var(--s18);
	}
	.start {
		gap: 12px;
	}
	.maker {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.maker select {
		width: auto;
	}
	.have {
		background: var(--sheet);
		padding: 10px 20px;
	}
	.have .row {
		gap: 8px 12px;
	}
	.have input {
		width: 90px;
	}
	.have select {
		width: auto;
	}
	.have .error {
		color: var(--red-ink);
	}
	.batches {
		margin-top: 8px;
	}
	.outdoors {
		margin-top: 8px;
	}
	.elsewhere {
		background: var(--pink-wash);
		color: var(--ink);
		padding: 8px 12px;
	}
	.list {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	.list li {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	.list li:last-child {
		border-bottom: 0;
	}
	.what {
		flex: 1;
		min-width: 140px;
	}
	.slack {
		min-width: 130px;
		text-align: right;
	}
	.acts {
		gap: 2px;
		flex-wrap: nowrap;
	}
	.until {
		color: var(--yellow-ink);
		font-weight: 600;
	}
	.meanwhile {
		margin: 14px 0 4px;
	}
	.end {
		margin-top: 12px;
	}
	@media (max-width: 700px) {
		.now {
			padding: 12px;
		}
		.now h2 {
			font-size: 1.75rem;
		}
		.big {
			flex: 1;
			width: 100%;
		}
		.slack {
			text-align: left;
		}
	}
</style>
