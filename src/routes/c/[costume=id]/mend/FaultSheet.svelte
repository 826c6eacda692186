<script lang="ts">
	/** A fault: why it happened, how it is cured, and whether it came back. */
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import type { CostumePlan } from '$core/answers/plan.ts';
	import Photos from '$lib/ui/Photos.svelte';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import type { OtherHold } from '$core/answers/otherHold.ts';
	import Replace from '@lucide/svelte/icons/replace';
	import X from '@lucide/svelte/icons/x';
	import Act from '$lib/ui/Act.svelte';
	import { timeWords } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import { timesFailed, type Fault, type HoldKind } from '$core/facts/fault.ts';
	import Check from '@lucide/svelte/icons/check';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import ChangeHold from './ChangeHold.svelte';

	interface Props {
		fault: Fault;
		record: CostumeRecord;
		plan: CostumePlan;
		/** What let go; null where nobody knows. */
		kind: HoldKind | null;
		/** What could hold it instead. */
		others: readonly OtherHold[];
		base: string;
		onedit: () => void;
	}
	let { fault, record, plan, kind, others, base, onedit }: Props = $props();
	const trade = $derived(handbook());
	const component = $derived(record.components.find((c) => c.id === fault.componentId)!);
	const cure = $derived(record.steps.filter((s) => s.faultId === fault.id));
	const again = $derived(record.faults.find((f) => f.id === fault.cameBackOf));
	const times = $derived(timesFailed(fault, record.faults));
	let changing = $state(false);
	/** Where what fails is changed. */
	const instead = $derived.by(() => {
		if (kind?.startsWith('fastener')) return { at: `/wear/${component.id}`, words: 'change what holds it' };
		if (kind === 'seam cement') return { at: '/finish/glue', words: 'change its glue' };
		if (kind?.startsWith('coat')) return { at: '/finish', words: 'change its coats' };
		return kind === 'cells' ? { at: '/wear/light', words: 'change its circuit' } : null;
	});
	const backAs = $derived(record.faults.find((f) => f.cameBackOf === fault.id));
</script>

<Sheet>
	<div class="fault">
		<div class="top">
			<Tag {component} href="{base}/look/{component.id}" />
			<h2>{fault.symptom}</h2>
			<span class="soft small"
				>{fault.occasion}, {timeWords(fault.happenedAt)}{fault.minutesLost
					? `, ${formatDuration(fault.minutesLost)} lost`
					: ''}</span
			>
		</div>
		<p>
			{#if fault.cause}<b>Cause:</b> {fault.cause}.{/if}
			{#if fault.cure}<b>Cure:</b> {fault.cure}.{/if}
			{#if times > 2}<span class="wrong"
					>The {times === 3 ? 'third' : `${times}th`} time:
					{#if others.length}change what holds it.{:else if instead}<a href="{base}{instead.at}"
							>{instead.words}</a
						> instead.{:else}change what fails, and not only its cure.{/if}</span
				>{/if}
			{#if again}<span class="wrong"
					>Came back: it was mended before, on {timeWords(again.happenedAt)}. {again.cure
						? `Tried then: ${again.cure}.`
						: ''} Fix the cause this time.</span
				>{/if}
			{#if backAs}<span class="wrong">It came back on {timeWords(backAs.happenedAt)}.</span>{/if}
		</p>
		<ul>
			{#each cure as step (step.id)}
				<li class:done={step.doneAt !== null}>
					<span class="what">{step.name}</span>
					<span class="figure small"
						>{formatDuration(plan.minutes.get(step.id)![1])}{step.waitMinutes
							? `, then waits ${formatWait(step.waitMinutes)}`
							: ''}</span
					>
					{#if step.doneAt === null}<Act command="finishStep" id={step.id} label="Finish {step.name}"
							><Check size={14} /> Done</Act
						>
					{:else}<span class="ok small"><Check size={14} /> {timeWords(step.doneAt)}</span>{/if}
				</li>
			{:else}
				<li class="wrong">No cure step. Add one under the component, or it stays broken.</li>
			{/each}
		</ul>
		<Caution
			keys={[
				...new Set(cure.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(trade, s.technique)))
			]}
		/>
		<Photos
			photos={record.photos.filter((p) => p.faultId === fault.id)}
			componentId={component.id}
			faultId={fault.id}
		/>
		<div class="row no-print">
			{#if others.length}<button class="button small" class:main={times > 2} onclick={() => (changing = true)}
					><Replace size={14} /> Hold it otherwise</button
				>{/if}
			<button class="button small quiet" onclick={() => onedit()}>Edit</button>
			<Act command="removeFault" id={fault.id} look="quiet"><X size={14} /> Remove</Act>
		</div>
	</div>
</Sheet>
{#if others.length}<ChangeHold
		bind:open={changing}
		{fault}
		{others}
		currency={record.costume.currency}
	/>{/if}

<style>
	.fault {
		display: grid;
		gap: 8px;
	}
	.top {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
	}
	.ok {
		color: var(--good-ink);
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: flex;
		gap: 12px;
		align-items: center;
		border-bottom: 1px dotted var(--rule);
		padding: 3px 0;
		flex-wrap: wrap;
	}
	.what {
		flex: 1;
		min-width: 140px;
		font-weight: 600;
	}
	.done .what {
		color: var(--ink-soft);
	}
</style>
