<script lang="ts">
	/** Who puts on what, and when: a row for each. */
	import type { DressingPlan } from '$core/answers/dressing.ts';

	let { plan, names }: { plan: DressingPlan; names: readonly string[] } = $props();
	const lanes = $derived(
		Array.from({ length: plan.dressers }, (_, i) => plan.order.filter((o) => o.by.includes(i)))
	);
	const part = (minutes: number) => `${(100 * minutes) / plan.minutes}%`;
</script>

<div class="lanes" aria-hidden="true">
	{#each lanes as lane, i (i)}
		<span class="name small">{names[i]}</span>
		<div class="lane">
			{#each lane as { component, preparation, start, end, by } (start)}
				<span
					class="bar"
					class:both={by.length > 1}
					style:left={part(start)}
					style:width={part(end - start)}
					title={component ? `${component.code} ${component.name}` : preparation?.name}
					>{component?.code ?? preparation?.name}</span
				>
			{/each}
		</div>
	{/each}
</div>

<style>
	.lanes {
		display: grid;
		grid-template-columns: max-content minmax(0, 1fr);
		gap: 6px 10px;
		align-items: center;
		margin-bottom: 12px;
	}
	.lane {
		position: relative;
		height: 32px;
		background: var(--sheet-shade);
	}
	.bar {
		position: absolute;
		top: 2px;
		bottom: 2px;
		box-sizing: border-box;
		overflow: hidden;
		padding: 4px 0;
		text-indent: 5px;
		font: 600 var(--s13) / 20px var(--mono);
		white-space: nowrap;
		background: #efe3c4;
		color: #1b2420;
		border: 1px dashed #8a7a4c;
	}
	.bar.both {
		background: var(--yellow);
	}
</style>
