<script lang="ts">
	/** Days, and parts of days, on which a maker does not work or a place is closed. */
	import pluralize from 'pluralize';
	import Field from '$lib/ui/Field.svelte';
	import type { Place, Maker } from '$core/facts/workshop.ts';
	import { formatClock, DAY, dayOf, dayWords, clockOf } from '$core/units/localTime.ts';
	import MonthOff from './MonthOff.svelte';
	import Form from '$lib/ui/Form.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';

	interface Props {
		of: Maker | Place;
		/** Of a maker; else of a place. */
		maker: boolean;
		now: LocalMinutes;
		weekStart: number;
	}
	let { of, maker, now, weekStart }: Props = $props();
	const whose = $derived({ makerId: maker ? of.id : null, placeId: maker ? null : of.id });
	const away = $derived('away' in of ? of.away.filter(([, to]) => to > now) : []);
</script>

<h3>{maker ? 'Days off' : 'Closed on'}</h3>
<MonthOff
	off={of.off}
	{whose}
	name={of.name}
	free={maker ? 'Days off' : 'Closed days'}
	today={dayOf(now)}
	{weekStart}
/>
<ul class="dotted">
	{#each of.off.filter((d) => d >= dayOf(now)) as day (day)}
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
{#if away.length}
	<details>
		<summary class="small">{pluralize('part', away.length, true)} of days</summary>
		<ul class="dotted">
			{#each away as [from, to] (`${from} ${to}`)}
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
	class="inline"
	label={maker ? `Day off for ${of.name}` : `Day on which ${of.name} is closed`}
>
	<Field name="day" label={maker ? 'Day off' : 'Closed on'} type="date" />
	{#if maker}
		<Field name="from" label="only from" type="time" />
		<Field name="to" label="to" type="time" />
	{/if}
	<button class="button small"><Plus size={14} /> {maker ? 'Day off' : 'Closed'}</button>
</Form>

<style>
	h3 {
		margin-top: 16px;
	}
</style>
