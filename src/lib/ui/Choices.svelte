<script lang="ts" generics="V extends string | number">
	/** Several of a list, ticked. */
	interface Props {
		legend: string;
		/** Sent once for each that is ticked. */
		name: string;
		options: readonly { value: V; label: string; title?: string }[];
		chosen: readonly V[];
		/** In columns within a frame: for long lists. */
		framed?: boolean;
		/** One was ticked, or its tick taken away. */
		onchoose?: (value: V) => void;
	}
	let { legend, name, options, chosen, framed = false, onchoose }: Props = $props();
</script>

<fieldset class:framed>
	<legend>{legend}</legend>
	{#each options as { value, label, title } (value)}
		<label {title}
			><input
				type="checkbox"
				{name}
				{value}
				checked={chosen.includes(value)}
				onchange={() => onchoose?.(value)}
			/>
			{label}</label
		>
	{/each}
</fieldset>

<style>
	fieldset {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		border: 0;
		padding: 0;
		margin: 0;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		margin-right: 12px;
		white-space: nowrap;
	}
	legend {
		width: 100%;
		padding: 0;
		color: var(--ink-soft);
		font-size: var(--s13);
	}
	.framed {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(138px, 1fr));
		gap: 2px 8px;
		border: 1px solid var(--rule);
		padding: 4px 10px 8px;
	}
	.framed legend {
		width: auto;
		padding: 0 4px;
		font-weight: 600;
	}
	.framed label {
		gap: 6px;
		min-height: 28px;
		margin: 0;
		white-space: normal;
	}
	@media (max-width: 700px) {
		.framed label {
			min-height: 44px;
		}
	}
</style>
