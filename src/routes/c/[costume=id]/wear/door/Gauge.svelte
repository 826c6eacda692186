<script lang="ts">
	/** Things laid beside a limit: what sticks out over it is red. */
	import type { DoorCheck } from '$core/answers/door.ts';
	import type { Luggage } from '$core/answers/packed.ts';
	import type { Figure } from '$core/explain/figure.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		checks: readonly DoorCheck[];
		limit: number;
		says: (value: number) => string;
		luggage: readonly Luggage[];
		/** The working of a value. */
		figure: (its: Luggage) => Figure;
		onedit: (componentId: number) => void;
	}
	let { checks, limit, says, luggage, figure, onedit }: Props = $props();
	const scale = $derived(Math.max(limit, ...checks.map((c) => c.value ?? 0)) * 1.04);
	const share = (value: number) => (100 * value) / scale;
</script>

<ul class="plain">
	{#each [...checks].sort((a, b) => (b.value ?? 0) - (a.value ?? 0)) as check (check.component!.id)}
		{@const component = check.component!}
		{@const its = luggage.find((l) => l.component.id === component.id)}
		<li>
			<span><Tag {component} /></span>
			<span class="room" aria-hidden="true">
				{#if check.value !== null}
					<i style:width="{share(Math.min(check.value, limit))}%"></i>
					{#if check.value > limit}<i class="over" style:width="{share(check.value - limit)}%"></i>{/if}
				{/if}
				<span class="limit" style:left="{share(limit)}%"></span>
			</span>
			<span class="value" class:bad={check.verdict === 'fails'}>
				{#if check.value === null}
					<button class="link" onclick={() => onedit(component.id)}>measure it</button>
				{:else if its}<Working figure={figure(its)} text={says(check.value)} />{/if}
			</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(110px, 190px) minmax(0, 1fr) 96px;
		gap: 12px;
		align-items: center;
		padding: 4px 0;
	}
	.room {
		position: relative;
		display: flex;
		height: 14px;
		align-items: stretch;
		border-bottom: 1px solid var(--rule);
	}
	i {
		print-color-adjust: exact;
		background: var(--ink-soft);
	}
	i.over {
		background: var(--red-ink);
	}
	.limit {
		position: absolute;
		inset-block: -6px;
		border-left: 2px solid var(--ink);
	}
	.value {
		font-family: var(--mono);
		text-align: right;
		white-space: nowrap;
	}
	.value.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	.link {
		background: none;
		border: 0;
		padding: 0;
		color: var(--ink);
		text-decoration: underline;
		font: inherit;
		cursor: pointer;
		min-height: 32px;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) 96px;
		}
		.room {
			grid-column: 1 / -1;
			grid-row: 2;
		}
		.link {
			min-height: 44px;
		}
	}
</style>
