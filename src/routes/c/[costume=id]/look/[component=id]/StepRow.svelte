<script lang="ts">
	/** One step of a component: what it takes, what it waits for, when it is planned. */
	import type { PageData } from './$types';
	import Act from '$lib/ui/Act.svelte';
	import { formatWait, formatDuration } from '$core/units/duration.ts';
	import { stepFigure } from '$core/explain/plan.ts';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import type { Component } from '$core/facts/component.ts';
	import { pressing } from '$lib/ui/pressing.ts';
	import type { Step } from '$core/facts/step.ts';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import { timeWords } from '$core/units/localTime.ts';
	import X from '@lucide/svelte/icons/x';
	import { amountWords } from '$lib/ui/amounts.ts';
	import GuessMark from '$lib/ui/GuessMark.svelte';
	import Working from '$lib/ui/Working.svelte';
	import Check from '@lucide/svelte/icons/check';
	import Undo2 from '@lucide/svelte/icons/undo-2';

	interface Props {
		step: Step;
		/** Its place among the steps of the component, from 0. */
		index: number;
		last: boolean;
		component: Component;
		data: PageData;
		onedit: () => void;
	}
	let { step, index, last, component, data, onedit }: Props = $props();
	const minutes = $derived(data.plan.minutes.get(step.id)!);
	const id = $derived(String(step.id));
	const start = $derived(data.plan.schedule.steps.find((s) => s.id === id)?.start);
	const impossible = $derived(data.plan.schedule.impossible.some((s) => s.id === id));
	const follows = $derived(step.fromPieces && !step.guessed && step.doneAt === null);
	const copies = $derived(data.copies[component.id] ?? 1);
	const waitsFor = $derived(
		step.after.map((id) => {
			const other = data.record.steps.find((s) => s.id === id);
			const owner = data.record.components.find((c) => c.id === other?.componentId);
			return { id, words: `${owner?.code ?? ''} ${other?.name ?? ''}` };
		})
	);

	/** Alt and arrows move a step, as they move a component. */
	const press = (to: 'up' | 'down') =>
		document
			.querySelector<HTMLButtonElement>(`[aria-label="Move ${step.name} ${to}, place ${index + 1}"]`)
			?.click();
	const onkeydown = pressing({ up: () => press('up'), down: () => press('down') });
</script>

<tr id="step-{step.id}" class:done={step.doneAt !== null} {onkeydown}>
	<td class="moves no-print">
		<Act
			command="moveStep"
			id={step.id}
			hidden={{ index: index - 1 }}
			look="quiet"
			disabled={index === 0}
			label="Move {step.name} up, place {index + 1}"><ArrowUp size={14} /></Act
		><Act
			command="moveStep"
			id={step.id}
			hidden={{ index: index + 1 }}
			look="quiet"
			disabled={last}
			label="Move {step.name} down, place {index + 1}"><ArrowDown size={14} /></Act
		>
	</td>
	<td>
		<b>{step.name}</b>
		{#if step.faultId !== null}<span class="cure small">cure</span>{/if}
		{#each waitsFor as link (link.id)}
			<span class="link small soft"
				>waits for {link.words}<Act
					command="removeStepAfter"
					id={step.id}
					hidden={{ afterId: link.id }}
					look="quiet"
					label="{step.name} no longer waits for {link.words}"><X size={12} /></Act
				></span
			>
		{/each}
	</td>
	<td class="small">
		{amountWords(step, data.workshop)}{#if step.perCopy && copies > 1}<b>&nbsp;× {copies}</b>{/if}
		{#if step.guessed && step.doneAt === null}<GuessMark />{/if}
	</td>
	<td class="number" title="good {formatDuration(minutes[0])}, bad {formatDuration(minutes[2])}"
		><Working
			figure={stepFigure(step, component, data.record, data.workshop)}
			text={formatDuration(minutes[1])}
		/></td
	>
	<td class="number">{step.waitMinutes ? formatWait(step.waitMinutes) : ''}</td>
	<td class="small marks">
		{[
			step.oneSitting && 'one sitting',
			step.needsHelper && 'helper',
			follows && 'follows its pieces',
			step.placeId !== null && data.workshop.places.find((x) => x.id === step.placeId)?.name.toLowerCase(),
			step.withinMinutes !== null && `within ${formatWait(step.withinMinutes)}`
		]
			.filter(Boolean)
			.join(', ')}
	</td>
	<td class="small when">
		{#if step.doneAt !== null}<span class="ok"><Check size={13} /> {timeWords(step.doneAt)}</span>
		{:else if start !== undefined}{timeWords(start)}{:else if impossible}<span class="wrong"
				>cannot be placed</span
			>{/if}
	</td>
	<td class="number no-print">
		{#if step.doneAt === null}
			<Act command="finishStep" id={step.id} look="quiet" label="Finish {step.name}"
				><Check size={14} /> Done</Act
			>
		{:else}
			<Act command="reopenStep" id={step.id} look="quiet" label="Take up {step.name} again"
				><Undo2 size={14} /></Act
			>
		{/if}
		<button class="button small quiet" onclick={onedit} aria-label="Edit {step.name}">Edit</button>
		<Act command="removeStep" id={step.id} look="quiet" label="Remove {step.name}"><X size={14} /></Act>
	</td>
</tr>

<style>
	td {
		padding: 2px 8px;
	}
	.moves {
		white-space: nowrap;
		padding-left: 0 !important;
	}
	.moves :global(.button.small) {
		padding: 2px 3px;
	}
	tr.done td {
		color: var(--ink-soft);
	}
	tr:target {
		background: var(--yellow-wash);
	}
	.when {
		white-space: nowrap;
	}
	.ok {
		color: var(--good-ink);
	}
	.cure {
		background: var(--red-wash);
		color: var(--red-ink);
		padding: 0 6px;
	}
	.link {
		display: inline-flex;
		align-items: center;
		margin-left: 8px;
	}
</style>
