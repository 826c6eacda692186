<script lang="ts">
	/** A place: what fits there, when it is open, and what it asks of the weather. */
	import WorkingHours from './WorkingHours.svelte';
	import type { Place, Settings } from '$core/facts/workshop.ts';
	import { sunOf } from '$core/answers/planProblem.ts';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { daylightOf, sunWords } from '$core/engines/schedule/daylight.ts';
	import { formatClock, dayOf } from '$core/units/localTime.ts';
	import Form from '$lib/ui/Form.svelte';
	import InTheOpen from './InTheOpen.svelte';
	import X from '@lucide/svelte/icons/x';
	import DaysOff from './DaysOff.svelte';

	interface Props {
		place: Place;
		now: LocalMinutes;
		settings: Settings;
	}
	let { place, now, settings }: Props = $props();
	const sun = $derived(sunOf(settings));
	const light = $derived(daylightOf(dayOf(now), sun));
</script>

<Sheet>
	<Form command="editPlace" id={place.id} version={place.version} class="inline" label="Place {place.name}">
		<Field name="name" label="Place" value={place.name} />
		<Field name="capacity" label="Fits at once" value={place.capacity} inputmode="numeric" />
		<Tick name="forSpray" label="for spraying" checked={place.forSpray} />
		<InTheOpen {place} />
		<button class="button small quiet">Save</button>
	</Form>
	{#if place.daylightOnly || place.dryOnly}
		<p class="small soft">
			{#if place.daylightOnly}Open from sunrise to sunset only: today {formatClock(light.from)} to
				{formatClock(light.to)}, {sunWords(sun)}.{/if}
			{#if place.dryOnly}Closed on wet days, {settings.wetDays} of thirty: plans are made for dry ones, the odds
				count the wet.{/if}
			<a href="/settings">Settings</a>
		</p>
	{/if}
	<WorkingHours of={place} maker={false} weekStart={settings.weekStart} {now} />
	<DaysOff of={place} maker={false} {now} weekStart={settings.weekStart} />
	<div class="end">
		<Act command="removePlace" id={place.id} look="quiet"><X size={14} /> Remove {place.name}</Act>
	</div>
</Sheet>
