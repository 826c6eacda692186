<script lang="ts">
	/** What to do otherwise: kept here, until it is a step or a note of another costume’s component. */
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { Lesson } from '$core/answers/afterEvent.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { NextTime } from '$core/facts/health.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';

	interface Props {
		nextTimes: readonly NextTime[];
		/** What follows from what was logged, and is not written down yet. */
		lessons: readonly Lesson[];
		components: readonly Component[];
		/** Components of the other costumes at work. */
		others: readonly { id: number; code: string; name: string; costume: string }[];
	}
	let { nextTimes, lessons, components, others }: Props = $props();
	let adding = $state(false);
	let taking = $state<number | null>(null);
	const taken = $derived(nextTimes.find((n) => n.id === taking));
	const of = (id: number | null) => components.find((c) => c.id === id);
</script>

<Sheet title="Next time">
	{#snippet tools()}<button class="button main small" data-add onclick={() => (adding = true)}
			><Plus size={14} /> Thought</button
		>{/snippet}
	<ul class="plain">
		{#each nextTimes as n (n.id)}
			{@const component = of(n.componentId)}
			<li>
				{#if component}<Tag {component} />{/if}
				<span class="words"
					>{n.words}
					{#if n.takenTo}<span class="small ok">is {n.takenTo}</span>{/if}</span
				>
				<span class="acts no-print">
					<button class="button small" aria-label="Take over: {n.words}" onclick={() => (taking = n.id)}
						><ArrowRight size={14} /> Take over</button
					>
					<Act command="removeNextTime" id={n.id} look="quiet" label="Remove: {n.words}"
						><Trash2 size={14} /></Act
					>
				</span>
			</li>
		{/each}
		{#each lessons as l (`${l.componentId} ${l.words}`)}
			{@const component = of(l.componentId)}
			<li class="no-print">
				{#if component}<Tag {component} />{/if}
				<span class="words soft">{l.words}</span>
				<span class="acts"
					><Act
						command="addNextTime"
						hidden={{ words: l.words, componentId: l.componentId }}
						label="Keep: {l.words}"><Plus size={14} /> Keep</Act
					></span
				>
			</li>
		{/each}
	</ul>
	{#if !nextTimes.length && !lessons.length}<p>
			Nothing yet: what lets go and what hurts is proposed here, and you can write down a thought of your own.
		</p>{/if}
</Sheet>

<Dialog bind:open={adding} title="Next time">
	<Form command="addNextTime" label="Next time" onDone={() => (adding = false)}>
		<div class="fields">
			<Field name="words" label="What to do otherwise" required wide />
			<Field
				name="componentId"
				label="Learned from"
				options={components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
				none="all of it"
			/>
		</div>
		<Submit>Keep it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={taking} title="Take over">
	{#if taken}
		{#if others.length}
			<Form command="takeNextTime" id={taken.id} label="Take over" onDone={() => (taking = null)}>
				<p>{taken.words}</p>
				<div class="fields">
					<Field
						name="toComponentId"
						label="To"
						options={others.map((o) => ({ value: o.id, label: `${o.costume}: ${o.code} ${o.name}` }))}
						value={others[0]!.id}
						wide
					/>
					<Field
						name="as"
						label="As a"
						options={[
							{ value: 'step', label: 'step, while it is made' },
							{ value: 'note', label: 'note' }
						]}
						value="step"
					/>
					<Field name="minutes" label="Minutes of the step" value="15" inputmode="numeric" suffix="min" />
				</div>
				<Submit>Take it over</Submit>
			</Form>
		{:else}
			<p>There is no other costume with components yet. It waits here until there is one.</p>
		{/if}
	{/if}
</EditDialog>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
	.words {
		flex: 1;
		min-width: 200px;
	}
	.ok {
		color: var(--good-ink);
	}
	.acts {
		display: flex;
		gap: 6px;
		align-items: center;
	}
</style>
