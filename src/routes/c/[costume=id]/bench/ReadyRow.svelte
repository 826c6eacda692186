<script lang="ts">
	/** A step that can be begun: how long it takes, how long it can wait. */
	import PencilLine from '@lucide/svelte/icons/pencil-line';
	import Play from '@lucide/svelte/icons/play';
	import type { ReadyStep } from '$core/answers/today.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import { timeWords } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';
	import { slackWords } from './slackWords.ts';

	interface Props {
		ready: ReadyStep;
		base: string;
		/** Who starts it here. */
		maker: string;
		onlog: (ready: ReadyStep) => void;
	}
	let { ready, base, maker, onlog }: Props = $props();
	const { step, component } = $derived(ready);
</script>

<li>
	<Tag {component} href="{base}/look/{component.id}#step-{step.id}" short />
	<span class="what"><b>{step.name}</b> <span class="small soft">{component.name}</span></span>
	<span class="figure">{formatDuration(ready.minutes)}</span>
	<span class="small soft slack"
		>{ready.opensAt !== null ? `place opens ${timeWords(ready.opensAt)}` : slackWords(ready)}</span
	>
	<span class="row acts">
		<Act
			command="startTimer"
			hidden={{ stepId: step.id, makerId: maker }}
			label="Start {step.name} of {component.code}"><Play size={14} /> Start</Act
		>
		<button
			class="button small quiet"
			onclick={() => onlog(ready)}
			aria-label="Log {step.name} of {component.code}"><PencilLine size={14} /> Log</button
		>
	</span>
</li>

<style>
	.slack {
		min-width: 130px;
		text-align: right;
	}
	.acts {
		gap: 2px;
		flex-wrap: nowrap;
	}
	@media (max-width: 700px) {
		.slack {
			text-align: left;
		}
	}
</style>
