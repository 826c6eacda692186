<script lang="ts">
	/** “I have 40 minutes”: what fits, what goes together, what has to be done while it is dry. */
	import CloudRain from '@lucide/svelte/icons/cloud-rain';
	import Play from '@lucide/svelte/icons/play';
	import type { PageData } from './$types';
	import { formatWait, formatDuration } from '$core/units/duration.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import Act from '$lib/ui/Act.svelte';

	interface Props {
		base: string;
		/** Who starts something here. */
		maker: string;
		makers: PageData['workshop']['makers'];
		/** What was asked for: minutes at hand, and whose. */
		asked: { typed: string; minutes: number | null; problem: string | null; maker: number | null };
		/** Minutes left of the working window that it is now. */
		windowLeft: number | null;
		session: PageData['session'];
		batches: PageData['batches'];
		/** How many steps that are ready need dry weather today. */
		outdoors: number;
	}
	let { base, maker, makers, asked, windowLeft, session, batches, outdoors }: Props = $props();
</script>

<section class="have" aria-label="Time at hand">
	<form method="get" class="row" data-sveltekit-keepfocus data-sveltekit-noscroll>
		<label for="have">I have</label>
		<input
			id="have"
			name="have"
			value={asked.typed}
			placeholder={windowLeft !== null ? formatDuration(windowLeft) : '40m'}
			aria-invalid={asked.problem !== null}
			aria-describedby={asked.problem ? 'have-problem' : undefined}
		/>
		{#if makers.length > 1}
			<label for="bench-of">Bench of</label>
			<select id="bench-of" name="maker" value={asked.maker === null ? '' : String(asked.maker)}>
				<option value="">everybody</option>
				{#each makers as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}
			</select>
		{/if}
		<button class="button small">Show</button>
		{#if windowLeft !== null}<span class="small soft">{formatDuration(windowLeft)} left of this window</span
			>{/if}
	</form>
	{#if asked.problem}<p class="wrong" id="have-problem" role="alert">{asked.problem}</p>{/if}
	{#if session}
		{#if session.length}
			<ol class="ruled">
				{#each session as part (part.ready.step.id)}
					<li>
						<Tag
							component={part.ready.component}
							href="{base}/look/{part.ready.component.id}#step-{part.ready.step.id}"
							short
						/>
						<span class="what"
							><b>{part.ready.step.name}</b>
							{#if !part.whole}<span class="small soft">begun, it may be set aside</span>{/if}
							{#if part.whole && part.ready.step.waitMinutes}<span class="small soft"
									>then waits {formatWait(part.ready.step.waitMinutes)}</span
								>{/if}</span
						>
						<span class="figure">{formatDuration(part.minutes)}</span>
						<Act
							command="startTimer"
							hidden={{ stepId: part.ready.step.id, makerId: maker }}
							label="Start {part.ready.step.name} of {part.ready.component.code} now"
							><Play size={14} /> Start</Act
						>
					</li>
				{/each}
			</ol>
			<p class="small soft">
				{formatDuration(session.reduce((sum, p) => sum + p.minutes, 0))} of {formatDuration(asked.minutes!)}:
				the most urgent that fits together; what waits afterwards first.
			</p>
		{:else}<p class="soft">Nothing that is ready fits in {formatDuration(asked.minutes!)}.</p>{/if}
	{/if}
	{#if batches.length}
		<p class="batches">
			<b>Together:</b>
			{#each batches as batch, k (batch.words)}{k > 0 ? '; ' : ''}{batch.words}
				({batch.steps.map((s) => s.component.code).join(', ')}{batch.savedMinutes > 0
					? `, ${formatDuration(batch.savedMinutes)} of setting out saved`
					: ''}){/each}
		</p>
	{/if}
	{#if outdoors > 0}
		<div class="row outdoors">
			<span>
				{outdoors === 1 ? 'One step that is ready needs' : `${outdoors} steps that are ready need`} dry weather.
			</span>
			<Act command="tooWet"><CloudRain size={14} /> Too wet today</Act>
		</div>
	{/if}
</section>

<style>
	.have {
		background: var(--sheet);
		padding: 10px 20px;
	}
	.have .row {
		gap: 8px 12px;
	}
	.have input {
		width: 90px;
	}
	.have select {
		width: auto;
	}
	.batches {
		margin-top: 8px;
	}
	.outdoors {
		margin-top: 8px;
	}
</style>
