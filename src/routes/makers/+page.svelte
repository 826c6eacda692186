<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import X from '@lucide/svelte/icons/x';
	import { sunOf } from '$core/answers/planProblem.ts';
	import type { Maker, Place } from '$core/facts/workshop.ts';
	import { rateOf } from '$core/trade/rates.ts';
	import {
		clockOf,
		DAY,
		dayOf,
		dayWords,
		formatClock,
		weekdayName,
		weekdaysWords
	} from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { page } from '$app/state';
	import { daylightOf, sunWords } from '$core/engines/schedule/daylight.ts';
	import { typicalError } from '$core/answers/rates.ts';
	import AccuracyChart from '$lib/ui/plan/AccuracyChart.svelte';
	import { isFailure, type Answer } from '$lib/ui/formState.ts';
	import Act from '$lib/ui/Act.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const workshop = $derived(data.workshop);
	/** Weekdays in the order the maker's week has. */
	const weekdays = $derived(Array.from({ length: 7 }, (_, i) => ((data.settings.weekStart - 1 + i) % 7) + 1));
	const today = $derived(dayOf(data.now));
	const awayOf = (maker: Maker) => maker.away.filter(([, to]) => to > data.now);
	const sun = $derived(sunOf(data.settings));
	const light = $derived(daylightOf(today, sun));
	const refused = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && /^remove/.test(answer.command) ? answer.message : null;
	});
	const unit = { length: 'a metre', area: 'a m²', count: 'each' };
	const trade = $derived(handbook());
	const techniques = $derived(Object.entries(trade.technique));

	const errors = $derived(data.errors);
	/** The last estimates, by which the present is judged. */
	const LAST = 20;
	const late = $derived(errors.slice(-LAST));
	/** Three figures say all that a rate can. */
	const rateWords = (minutes: number) => formatNumber(minutes, minutes >= 100 ? 0 : minutes >= 10 ? 1 : 2);
	const offWords = (factor: number) => `${Math.round((factor - 1) * 100)} % off`;
	const daysWords = (days: readonly number[]) => weekdaysWords(days, data.settings.weekStart);
	const weekHours = (windows: Maker['windows']) =>
		windows.reduce((sum, w) => sum + w.days.length * (w.to - w.from), 0) / 60;
</script>

<svelte:head><title>Makers · Dapper Ledger</title></svelte:head>

{#snippet hours(of: Maker | Place, maker: boolean)}
	<ul class="windows">
		{#each of.windows as w (w.id)}
			<li>
				<b>{daysWords(w.days)}</b>
				<span class="figure">{formatClock(w.from)}–{formatClock(w.to)}</span>
				<Act command="removeWindow" id={w.id} look="quiet" label="Remove {daysWords(w.days)} of {of.name}"
					><X size={14} /></Act
				>
			</li>
		{:else}<li class="soft">No hours: nothing can be planned {maker ? 'for' : 'at'} {of.name}.</li>{/each}
	</ul>
	<Form
		command="addWindow"
		hidden={{ makerId: maker ? of.id : null, placeId: maker ? null : of.id }}
		reset
		class="hours"
		label="Add hours to {of.name}"
	>
		<fieldset>
			<legend class="visually-hidden">Days</legend>
			{#each weekdays as day (day)}<label
					><input type="checkbox" name="days[]" value={day} /> {weekdayName(day)}</label
				>{/each}
		</fieldset>
		<Field name="from" label="From" type="time" value="18:00" />
		<Field name="to" label="To" type="time" value="21:00" />
		<button class="button small"><Plus size={14} /> Hours</button>
		<FormError name="days" />
	</Form>
{/snippet}

{#snippet daysOff(of: Maker | Place, maker: boolean)}
	{@const whose = { makerId: maker ? of.id : null, placeId: maker ? null : of.id }}
	<h3>{maker ? 'Days off' : 'Closed on'}</h3>
	<ul class="windows">
		{#each of.off.filter((d) => d >= today) as day (day)}
			<li>
				{dayWords(day)}
				<Act
					command="removeDayOff"
					hidden={{ ...whose, day }}
					look="quiet"
					label="{of.name} {maker ? 'works' : 'is open'} on {dayWords(day)}"><X size={14} /></Act
				>
			</li>
		{:else}<li class="soft">none ahead</li>{/each}
	</ul>
	{#if maker && awayOf(of as Maker).length}
		<details>
			<summary class="small">{awayOf(of as Maker).length} parts of days</summary>
			<ul class="windows">
				{#each awayOf(of as Maker) as [from, to] (`${from} ${to}`)}
					<li>
						{dayWords(dayOf(from))}
						{formatClock(clockOf(from))}–{formatClock(to - dayOf(from) * DAY)}
						<Act
							command="removeAway"
							hidden={{ makerId: of.id, from, to }}
							look="quiet"
							label="{of.name} works on {dayWords(dayOf(from))} at {formatClock(clockOf(from))}"
							><X size={14} /></Act
						>
					</li>
				{/each}
			</ul>
		</details>
	{/if}
	<Form
		command="addDayOff"
		hidden={whose}
		reset
		class="hours"
		label={maker ? `Day off for ${of.name}` : `Day on which ${of.name} is closed`}
	>
		<Field name="day" label={maker ? 'Day off' : 'Closed on'} type="date" />
		{#if maker}
			<Field name="from" label="only from" type="time" />
			<Field name="to" label="to" type="time" />
		{/if}
		<button class="button small"><Plus size={14} /> {maker ? 'Day off' : 'Closed'}</button>
	</Form>
{/snippet}

{#snippet inTheOpen(place?: Place)}
	<Tick name="daylightOnly" label="in daylight only" checked={place?.daylightOnly ?? false} />
	<Tick name="dryOnly" label="in dry weather only" checked={place?.dryOnly ?? false} />
{/snippet}

<main id="main">
	{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
	<div class="columns">
		{#each workshop.makers as maker (maker.id)}
			<Sheet>
				<Form
					command="editMaker"
					id={maker.id}
					version={maker.version}
					class="name"
					label="Name of {maker.name}"
				>
					<Field name="name" label="Maker" value={maker.name} />
					<Tick name="helpsOnly" label="only helps" checked={maker.helpsOnly} />
					<button class="button small quiet">Save</button>
				</Form>
				<p class="small soft figure">{formatNumber(weekHours(maker.windows), 1)} h a week</p>
				{@render hours(maker, true)}
				{@render daysOff(maker, true)}
				<Form
					command="importDaysOff"
					hidden={{ makerId: maker.id }}
					upload
					reset
					class="hours"
					label="Days off of {maker.name} from a calendar"
				>
					<Field
						name="file"
						label="Days off from a calendar (.ics)"
						type="file"
						accept=".ics,text/calendar"
					/>
					<button class="button small"><Plus size={14} /> Read</button>
				</Form>
				<details class="skills">
					<summary
						>{maker.techniques
							? `Does ${maker.techniques.length} of ${techniques.length} techniques`
							: 'Does everything'}</summary
					>
					<Form command="setSkills" id={maker.id} label="What {maker.name} does">
						<div class="ticks">
							{#each techniques as [key, technique] (key)}
								<label
									><input
										type="checkbox"
										name="techniques[]"
										value={key}
										checked={!maker.techniques || maker.techniques.includes(key)}
									/>
									{technique.name}</label
								>
							{/each}
						</div>
						<button class="button small">Save</button>
					</Form>
				</details>
				<div class="end">
					<Act command="removeMaker" id={maker.id} look="quiet"><X size={14} /> Remove {maker.name}</Act>
				</div>
			</Sheet>
		{/each}
		{#each workshop.places as place (place.id)}
			<Sheet>
				<Form
					command="editPlace"
					id={place.id}
					version={place.version}
					class="name"
					label="Place {place.name}"
				>
					<Field name="name" label="Place" value={place.name} />
					<Field name="capacity" label="Fits at once" value={place.capacity} inputmode="numeric" />
					<Tick name="forSpray" label="for spraying" checked={place.forSpray} />
					{@render inTheOpen(place)}
					<button class="button small quiet">Save</button>
				</Form>
				{#if place.daylightOnly || place.dryOnly}
					<p class="small soft">
						{#if place.daylightOnly}Open from sunrise to sunset only: today {formatClock(light.from)} to
							{formatClock(light.to)}, {sunWords(sun)}.{/if}
						{#if place.dryOnly}Closed on wet days, {data.settings.wetDays} of thirty: plans are made for dry ones,
							the odds count the wet.{/if}
						<a href="/settings">Settings</a>
					</p>
				{/if}
				{@render hours(place, false)}
				{@render daysOff(place, false)}
				<div class="end">
					<Act command="removePlace" id={place.id} look="quiet"><X size={14} /> Remove {place.name}</Act>
				</div>
			</Sheet>
		{/each}
		<Sheet title="Another">
			<Form command="addMaker" reset class="hours" label="New maker">
				<Field name="name" label="Maker" />
				<Tick name="helpsOnly" label="only helps" />
				<button class="button small" data-add><Plus size={14} /> Maker</button>
			</Form>
			<Form command="addPlace" reset class="hours" label="New place">
				<Field name="name" label="Place" />
				<Field name="capacity" label="Fits at once" value="1" inputmode="numeric" />
				<Tick name="forSpray" label="for spraying" />
				{@render inTheOpen()}
				<button class="button small"><Plus size={14} /> Place</button>
			</Form>
		</Sheet>
	</div>

	{#if errors.length}
		<Sheet title="How good the estimates are">
			<p class="accuracy">
				<b class="figure">{offWords(typicalError(late.map((e) => e.learned))!)}</b> with what was learned by
				then,
				<b class="figure">{offWords(typicalError(late.map((e) => e.started))!)}</b> with the starting values:
				the middle of the last {late.length}
				{late.length === 1 ? 'step' : 'steps'} done.
			</p>
			<AccuracyChart {errors} />
		</Sheet>
	{/if}

	<Sheet title="Rates">
		<p class="soft">
			Minutes of hands-on work on a good, a usual and a bad day, before anything is logged. Starting values
			are from memory; put your own in their place. Logged work pulls them, the more the more there is of it;
			what is learned is what plans use.
		</p>
		<div class="scroll">
			<table>
				<thead
					><tr
						><th>Technique</th><th>Counts</th><th>Good</th><th>Usual</th><th>Bad</th><th></th><th>Learned</th
						></tr
					></thead
				>
				<tbody>
					{#each techniques as [key, technique] (key)}
						{@const rate = rateOf(trade, key, workshop.ownRates)}
						{@const own = workshop.ownRates[key] !== undefined}
						{@const learned = workshop.learned.find((l) => l.technique === key)}
						<tr>
							<td><b>{technique.name}</b></td>
							<td class="small soft">{technique.of}, {unit[technique.driver]}</td>
							<td colspan="3">
								<Form
									command="setRate"
									id={key}
									hidden={{ technique: key }}
									class="rate"
									label="Rate for {technique.name}"
								>
									<Field
										name="goodMinutes"
										label="Good, {technique.name}"
										hideLabel
										value={formatNumber(rate[0], 3)}
										inputmode="decimal"
									/>
									<Field
										name="usualMinutes"
										label="Usual, {technique.name}"
										hideLabel
										value={formatNumber(rate[1], 3)}
										inputmode="decimal"
									/>
									<Field
										name="badMinutes"
										label="Bad, {technique.name}"
										hideLabel
										value={formatNumber(rate[2], 3)}
										inputmode="decimal"
									/>
									<button class="button small quiet">Set</button>
								</Form>
							</td>
							<td class="small">
								{#if own}your own
									<Act
										command="resetRate"
										hidden={{ technique: key }}
										look="quiet"
										label="Starting value for {technique.name}"><RotateCcw size={14} /></Act
									>{:else}<span class="soft">starting value</span>{/if}
							</td>
							<td class="learned">
								{#if learned}
									<b class="figure">{rateWords(learned.now[1])}</b>
									<span class="small soft"
										>{rateWords(learned.sure[0])} to {rateWords(learned.sure[1])}, from {learned.logs}
										{learned.logs === 1 ? 'log' : 'logs'}{learned.outliers
											? `, ${learned.outliers} far out`
											: ''}{#each learned.makers.length > 1 ? learned.makers : [] as m (m.makerId)}; {workshop.makers.find(
												(x) => x.id === m.makerId
											)?.name}
											{rateWords(m.usual)}{/each}</span
									>
								{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	</Sheet>
</main>

<style>
	main {
		max-width: 1240px;
		margin: 0 auto;
		padding: 16px;
		display: grid;
		gap: 16px;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
		gap: 16px;
		align-items: start;
	}
	.windows {
		list-style: none;
		padding: 0;
		margin: 8px 0;
	}
	.windows li {
		display: flex;
		gap: 10px;
		align-items: center;
		border-bottom: 1px dotted var(--rule);
	}
	h3 {
		margin-top: 16px;
	}
	:global(form.hours),
	:global(form.name) {
		display: flex;
		gap: 8px;
		align-items: end;
		flex-wrap: wrap;
		margin-top: 8px;
	}
	:global(form.hours .field),
	:global(form.name .field) {
		flex: 1;
		/* A date or a time with its picker. */
		min-width: 132px;
	}
	fieldset {
		border: 0;
		padding: 0;
		margin: 0;
		display: flex;
		gap: 4px 12px;
		flex-wrap: wrap;
		width: 100%;
	}
	fieldset label {
		display: inline-flex;
		gap: 4px;
		align-items: center;
		min-height: 30px;
	}
	:global(form.rate) {
		display: grid;
		grid-template-columns: repeat(3, minmax(70px, 1fr)) auto;
		gap: 6px;
	}
	:global(form.rate input) {
		text-align: right;
		font-family: var(--mono);
	}
	.skills {
		margin-top: 12px;
	}
	.ticks {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
		gap: 2px 10px;
		margin: 6px 0;
		font-size: var(--s13);
	}
	.ticks label {
		display: flex;
		gap: 4px;
		align-items: center;
		min-height: 26px;
	}
	.accuracy {
		margin-bottom: 8px;
	}
	.learned {
		min-width: 150px;
	}
	.end {
		margin-top: 16px;
	}
	.refused {
		background: var(--red-wash);
		color: var(--ink);
		border-left: 4px solid var(--red-ink);
		padding: 8px 12px;
	}
	@media (max-width: 700px) {
		main {
			padding: 8px;
		}
		fieldset label,
		.ticks label {
			min-height: 44px;
		}
	}
</style>
