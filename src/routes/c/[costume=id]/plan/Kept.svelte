<script lang="ts">
	/** Times that the plan keeps: fittings, and steps pinned to a start. */
	import { missesFitting } from '$core/answers/pins.ts';
	import type { PlannedStep } from '$core/engines/schedule/problem.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';

	interface Props {
		data: PageData;
		/** In the order of their starts. */
		planned: readonly PlannedStep[];
		named: (id: string) => string;
	}
	let { data, planned, named }: Props = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const pinned = $derived(data.record.steps.filter((s) => s.pinnedAt !== null && s.doneAt === null));
	let chosenToPin = $state('');
	/** What was chosen may have been left out or done since. */
	const toPin = $derived(planned.some((p) => p.id === chosenToPin) ? chosenToPin : (planned[0]?.id ?? ''));
</script>

<Sheet title="Kept times">
	<ul class="plain">
		{#each data.record.fittings.filter((f) => f.heldAt >= data.now) as fitting (fitting.id)}
			<li>
				<b>Fitting</b>
				<span class="figure">{timeWords(fitting.heldAt)}</span>
				{#each fitting.componentIds as id (id)}
					{@const component = components.get(id)}
					{#if component}<Tag {component} href="{base}/look/{id}" short />{/if}
					{#if missesFitting(data.record, plan, id, fitting.heldAt)}<span class="bad">not ready by then</span
						>{/if}
				{/each}
			</li>
		{/each}
		{#each pinned as s (s.id)}
			{@const component = components.get(s.componentId)}
			{@const start = plan.schedule.steps.find((p) => p.id === String(s.id))?.start}
			<li>
				{#if component}<Tag {component} href="{base}/look/{component.id}#step-{s.id}" short />{/if}
				<b>{s.name}</b>
				<span class="figure">{timeWords(s.pinnedAt!)}</span>
				{#if start !== undefined && start !== s.pinnedAt}<span class="bad"
						>cannot be kept: {timeWords(start)}</span
					>{/if}
				<Act command="pinStep" id={s.id} hidden={{ pinnedAt: '' }} label="Let {s.name} move">Let it move</Act>
			</li>
		{/each}
	</ul>
	<Form command="pinStep" id={toPin} reset class="pin" label="Keep a time">
		<label class="field"
			><span>Step</span><select bind:value={() => toPin, (id) => (chosenToPin = id)}
				>{#each planned as p (p.id)}<option value={p.id}>{named(p.id)}</option>{/each}</select
			></label
		>
		<Field name="pinnedAt" label="Begins at" type="datetime-local" />
		<button class="button small">Keep this time</button>
	</Form>
	<p class="small soft">
		Kept unless what it waits for is later or nobody works then: then as soon after as it can. Fittings are
		booked under <a href="{base}/measure/fittings">Measure</a>; a timer that runs keeps its step where it is.
	</p>
</Sheet>

<style>
	.bad {
		color: var(--red-ink);
	}
	:global(form.pin) {
		display: flex;
		gap: 8px;
		align-items: end;
		flex-wrap: wrap;
		margin: 8px 0;
	}
	:global(form.pin > label) {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
		font-weight: 600;
	}
	:global(form.pin select) {
		max-width: 260px;
	}
</style>
