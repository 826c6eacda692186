<script lang="ts">
	/** A figure that can be opened: inputs, formula, source, and what it would be with one input changed. */
	import { say } from '$core/units/problem.ts';
	import { valueOf, withInput, type Figure } from '$core/explain/figure.ts';
	import { FORMULAS } from '$core/explain/formulas.ts';
	import { readAs, write } from '$core/units/write.ts';
	import Dialog from './Dialog.svelte';

	interface Props {
		figure: Figure;
		/** Other words for the figure, e.g. shorter ones. */
		text?: string;
		big?: boolean;
	}
	let { figure, text, big = false }: Props = $props();
	let open = $state(false);
	let changed = $state<{ index: number; typed: string } | null>(null);
	const value = $derived(valueOf(figure));
	const parsed = $derived(changed ? readAs(changed.typed, figure.inputs[changed.index]!.as) : null);
	const other = $derived(
		changed && parsed?.ok ? valueOf(withInput(figure, changed.index, parsed.value)) : null
	);
</script>

<button
	type="button"
	class="figure"
	class:big
	title="Show the working"
	aria-label="{figure.title}: {text ?? write(value, figure.as)}. Show the working"
	onclick={() => {
		open = true;
		changed = null;
	}}>{text ?? write(value, figure.as)}</button
>
<Dialog bind:open title={figure.title}>
	<p class="result figure">{write(value, figure.as)}</p>
	<p class="formula">= {FORMULAS[figure.formula].words}</p>
	<table>
		<thead>
			<tr><th>Input</th><th class="number">Value</th><th>From</th><th>What if</th></tr>
		</thead>
		<tbody>
			{#each figure.inputs as input, index (index)}
				<tr>
					<td>{input.name}</td>
					<td class="number">{write(input.value, input.as)}</td>
					<td class="small soft">{input.source}</td>
					<td>
						<input
							class="try"
							aria-label="What if {input.name} were"
							value={changed?.index === index ? changed.typed : ''}
							placeholder="…"
							oninput={(e) => (changed = { index, typed: e.currentTarget.value })}
						/>
					</td>
				</tr>
			{:else}
				<tr><td colspan="4" class="soft">Nothing goes into it yet.</td></tr>
			{/each}
		</tbody>
	</table>
	{#if changed && changed.typed.trim()}
		<p class="other" role="status">
			{#if other !== null}With that it would be <b class="figure">{write(other, figure.as)}</b>.
			{:else if parsed && !parsed.ok}{say(parsed.problem)}{/if}
		</p>
	{/if}
</Dialog>

<style>
	button.figure {
		border: 0;
		padding: 0 1px;
		background: none;
		color: inherit;
		font-weight: inherit;
		font-size: inherit;
		cursor: pointer;
		text-decoration: underline dotted var(--ink-soft) 1px;
		text-underline-offset: 0.2em;
		text-align: inherit;
	}
	button.figure:hover {
		color: var(--blue-ink);
		text-decoration-style: solid;
	}
	button.big {
		font-family: var(--head);
		letter-spacing: normal;
		white-space: nowrap;
		font-size: var(--s24);
		font-weight: 600;
		line-height: 1.1;
	}
	.result {
		font-size: var(--s24);
		font-weight: 600;
	}
	.formula {
		margin: 4px 0 12px;
		color: var(--blue-ink);
	}
	.try {
		width: 7em !important;
	}
	.other {
		margin-top: 12px;
		padding: 8px 12px;
		border-left: 4px solid var(--blue-ink);
		background: var(--sheet-shade);
	}
	@media print {
		button.figure {
			text-decoration: none;
		}
	}
	@media (max-width: 700px) {
		td,
		th {
			padding: 4px;
		}
		.try {
			width: 4.5em !important;
		}
		button.figure {
			min-height: 30px;
		}
	}
</style>
