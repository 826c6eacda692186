<script lang="ts">
	/** A timer that runs: what it is at, since when, and its note, which is kept as it is typed. */
	import { handbook } from './handbook/handbook.ts';
	import Check from '@lucide/svelte/icons/check';
	import Square from '@lucide/svelte/icons/square';
	import { onDestroy } from 'svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { Photo, WorkLog } from '$core/facts/costume.ts';
	import type { Step } from '$core/facts/step.ts';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { clockOf, formatClock, passedBetween, type LocalMinutes } from '$core/units/localTime.ts';
	import Caution from './Caution.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import Now from './Now.svelte';
	import Photos from './Photos.svelte';
	import { isFailure } from './formState.ts';
	import { send } from './run.ts';
	import Tag from './Tag.svelte';
	import Tick from './Tick.svelte';

	interface Props {
		log: WorkLog;
		step: Step;
		component: Component;
		href: string;
		photos: readonly Photo[];
		clock: LocalMinutes;
		/** Whose it is, where there are several. */
		maker?: string | undefined;
		/** Space stops this one. */
		own: boolean;
	}
	let { log, step, component, href, photos, clock, maker, own }: Props = $props();
	const elapsed = $derived(passedBetween(log.startedAt, clock));

	/** Typed and not sent yet. */
	let unsent: string | null = null;
	let timer: ReturnType<typeof setTimeout> | undefined;
	const PAUSE = 2500;
	function noted(event: Event) {
		if (!(event.target instanceof HTMLTextAreaElement)) return;
		unsent = event.target.value;
		clearTimeout(timer);
		timer = setTimeout(sendNote, PAUSE);
	}
	function sendNote(keepalive = false) {
		clearTimeout(timer);
		if (unsent === null) return;
		const note = unsent;
		unsent = null;
		void send('noteTimer', { id: log.id, note }, { keepalive }).then((answer) => {
			// Nobody answered: it goes with what is typed next, or when the page is left.
			if (isFailure(answer)) unsent ??= note;
		});
	}
	onDestroy(() => sendNote(true));
</script>

<!-- A phone that is put away, or a page that is left by its address, is told no other way. -->
<svelte:window onpagehide={() => sendNote(true)} />
<svelte:document onvisibilitychange={() => document.hidden && sendNote(true)} />

<Now label={maker ? `Running: ${maker}` : 'Running'} running>
	<p class="small">
		{maker ? `${maker} is at the bench` : 'At the bench'} since {formatClock(clockOf(log.startedAt))}
	</p>
	<p class="clock figure" role="timer" aria-label="{elapsed} minutes">{formatDuration(elapsed)}</p>
	<h2>{step.name}</h2>
	<p><Tag {component} {href} /></p>
	<Caution keys={cautionsFor(handbook(), step.technique)} />
	<div oninput={noted} onfocusout={() => sendNote()}>
		<Form
			command="stopTimer"
			id={log.id}
			class="stop"
			label="Stop the timer"
			onDone={() => {
				clearTimeout(timer);
				unsent = null;
			}}
		>
			<Field name="note" label="Note: how it was made, mix, what went wrong" type="area" value={log.note} />
			<Field name="minutes" label="Minutes, if the timer is not right" hint="e.g. 1h20" />
			<div class="row">
				<Tick name="anyway" label="It went on anyway" />
			</div>
			<div class="row ends">
				<button class="button main" name="finish" value="on"><Check size={16} /> Done, finished</button>
				<button class="button" data-stop={own ? '' : undefined}
					><Square size={16} /> Stop, not finished</button
				>
			</div>
		</Form>
	</div>
	<Photos {photos} componentId={component.id} stepId={step.id} />
</Now>

<style>
	.clock {
		font-size: 3.5rem;
		line-height: 1;
		font-weight: 600;
	}
	:global(form.stop) {
		display: grid;
		gap: 10px;
		max-width: 560px;
	}
	@media (max-width: 700px) {
		/* Above the rail, wherever the page is scrolled to. */
		.ends {
			position: sticky;
			bottom: 66px;
			background: var(--sheet);
			padding: 6px 0;
			z-index: 2;
		}
	}
</style>
