<script lang="ts">
	/** The most urgent step, large: begun, done already, or logged. */
	import Check from '@lucide/svelte/icons/check';
	import PencilLine from '@lucide/svelte/icons/pencil-line';
	import Play from '@lucide/svelte/icons/play';
	import type { ReadyStep } from '$core/answers/today.ts';
	import { stepFigure } from '$core/explain/plan.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Now from '$lib/ui/Now.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import BenchOf from './BenchOf.svelte';
	import { amountWords } from '$lib/ui/amounts.ts';
	import Working from '$lib/ui/Working.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import { slackWords } from './slackWords.ts';

	interface Props {
		first: ReadyStep;
		base: string;
		record: CostumeRecord;
		workshop: Workshop;
		maker: string;
		onlog: (ready: ReadyStep) => void;
	}
	let { first, base, record, workshop, maker = $bindable(), onlog }: Props = $props();
	const { step, component } = $derived(first);
</script>

<Now>
	<p class="small">
		{first.opensAt === null ? 'Do now' : `Next, when its place opens ${timeWords(first.opensAt)}`}
	</p>
	<h2>{step.name}</h2>
	<p class="row">
		<Tag {component} href="{base}/look/{component.id}#step-{step.id}" />
		<span>{amountWords(step, workshop)}</span>
		<Working
			figure={stepFigure(step, component, record, workshop)}
			text="{formatDuration(first.minutes)} hands-on"
		/>
		{#if step.waitMinutes}<span class="soft">then waits {formatWait(step.waitMinutes)}</span>{/if}
		{#if first.slackMinutes !== null}<span class:wrong={first.slackMinutes < 0}>{slackWords(first)}</span
			>{/if}
		{#if step.oneSitting}<span>one sitting</span>{/if}
		{#if step.needsHelper}<span>needs a helper</span>{/if}
	</p>
	<Caution keys={cautionsFor(handbook(), step.technique)} />
	<div class="row start">
		<Form command="startTimer" hidden={{ stepId: step.id, makerId: maker }} label="Start the timer">
			<button class="button main big" data-start><Play size={18} /> Start</button>
		</Form>
		<Act command="finishStep" id={step.id} small={false}><Check size={16} /> Done already</Act>
		<button class="button" onclick={() => onlog(first)}><PencilLine size={16} /> Log minutes</button>
		{#if workshop.makers.length > 1}<BenchOf makers={workshop.makers} bind:maker />{/if}
	</div>
</Now>

<style>
	.big {
		min-height: 52px !important;
		padding: 8px 28px !important;
		font-size: var(--s18);
	}
	.start {
		gap: 12px;
	}
	@media (max-width: 700px) {
		.big {
			flex: 1;
			width: 100%;
		}
	}
</style>
