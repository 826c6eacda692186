<script lang="ts" generics="K extends string">
	/** What a click on the mat does: one of some tools, and what else belongs above it. */
	import type { Component, Snippet } from 'svelte';

	interface Props {
		tools: readonly { key: K; name: string; icon: Component<{ size?: number }> }[];
		tool: K;
		onchoose: (tool: K) => void;
		children?: Snippet;
	}
	let { tools, tool, onchoose, children }: Props = $props();
</script>

<div class="bar on-mat" role="toolbar" aria-label="What a click does">
	{#each tools as t (t.key)}
		<button class="tool" aria-pressed={tool === t.key} onclick={() => onchoose(t.key)}
			><t.icon size={16} /> {t.name}</button
		>
	{/each}
	{@render children?.()}
</div>

<style>
	.bar {
		display: flex;
		gap: 4px 8px;
		flex-wrap: wrap;
		align-items: center;
		margin-bottom: 8px;
		color: var(--on-mat);
	}
	.tool,
	.bar :global(button.tool) {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		min-height: 36px;
		padding: 4px 10px;
		border: 1px solid var(--on-mat-soft);
		background: none;
		color: var(--on-mat);
		cursor: pointer;
	}
	.bar .tool[aria-pressed='true'] {
		background: var(--pink);
		border-color: var(--pink);
		color: #2a0d18;
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.tool,
		.bar :global(button.tool) {
			min-height: 44px;
		}
	}
</style>
