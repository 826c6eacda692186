<script lang="ts">
	/** A maker: name, hours, days off, and what this one does. */
	import WorkingHours from './WorkingHours.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Act from '$lib/ui/Act.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import type { Maker } from '$core/facts/workshop.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import Tick from '$lib/ui/Tick.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import X from '@lucide/svelte/icons/x';
	import DaysOff from './DaysOff.svelte';

	interface Props {
		maker: Maker;
		now: LocalMinutes;
		weekStart: number;
	}
	let { maker, now, weekStart }: Props = $props();
	const techniques = $derived(Object.entries(handbook().technique));
</script>

<Sheet>
	<Form command="editMaker" id={maker.id} version={maker.version} class="inline" label="Name of {maker.name}">
		<Field name="name" label="Maker" value={maker.name} />
		<Tick name="helpsOnly" label="only helps" checked={maker.helpsOnly} />
		<button class="button small quiet">Save</button>
	</Form>
	<WorkingHours of={maker} maker {weekStart} {now} />
	<DaysOff of={maker} maker {now} {weekStart} />
	<Form
		command="importDaysOff"
		hidden={{ makerId: maker.id }}
		upload
		reset
		class="inline"
		label="Days off of {maker.name} from a calendar"
	>
		<Field name="file" label="Days off from a calendar (.ics)" type="file" accept=".ics,text/calendar" />
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

<style>
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
	@media (max-width: 700px) {
		.ticks label {
			min-height: 44px;
		}
	}
</style>
