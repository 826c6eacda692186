<script lang="ts">
	/** The working hours of a maker, or the opening hours of a place, and more of them. */
	import {
		weekdayName,
		weekdaysFrom,
		weekdaysWords,
		formatClock,
		type LocalMinutes
	} from '$core/units/localTime.ts';
	import X from '@lucide/svelte/icons/x';
	import type { Place, Maker } from '$core/facts/workshop.ts';
	import Form from '$lib/ui/Form.svelte';
	import Act from '$lib/ui/Act.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import Field from '$lib/ui/Field.svelte';
	import PaintHours from './PaintHours.svelte';

	interface Props {
		of: Maker | Place;
		/** Of a maker; else of a place. */
		maker: boolean;
		weekStart: number;
		now: LocalMinutes;
	}
	let { of, maker, weekStart, now }: Props = $props();
	/** Weekdays in the order the maker's week has. */
	const weekdays = $derived(weekdaysFrom(weekStart));
	const daysWords = (days: readonly number[]) => weekdaysWords(days, weekStart);
</script>

<PaintHours {of} {maker} {weekStart} {now} />
{#if !of.windows.length}<p class="soft">
		No hours: nothing can be planned {maker ? 'for' : 'at'}
		{of.name}.
	</p>{/if}
<details>
	<summary>To the minute: as a list, or typed</summary>
	<ul class="dotted">
		{#each of.windows as w (w.id)}
			<li>
				<b>{daysWords(w.days)}</b>
				{#if w.weeks}<span class="small soft">{w.weeks} weeks</span>{/if}
				<span class="figure">{formatClock(w.from)}–{formatClock(w.to)}</span>
				<Act command="removeWindow" id={w.id} look="quiet" label="Remove {daysWords(w.days)} of {of.name}"
					><X size={14} /></Act
				>
			</li>
		{/each}
	</ul>
	<Form
		command="addWindow"
		hidden={{ makerId: maker ? of.id : null, placeId: maker ? null : of.id }}
		class="inline"
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
</details>

<style>
	summary {
		cursor: pointer;
		min-height: 30px;
		font-size: var(--s13);
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
	@media (max-width: 700px) {
		fieldset label {
			min-height: 44px;
		}
	}
</style>
