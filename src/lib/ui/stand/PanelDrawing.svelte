<script lang="ts">
	/** A panel or a dart drawn on the form by its corners: how the next line runs, and whether the other side has it too. */
	import type { DrawnRun } from '$core/engines/panels/drawn.ts';
	import type { PanelDraft } from './panelDraft.svelte.ts';

	let { draft }: { draft: PanelDraft } = $props();
	const RUNS: Record<DrawnRun, string> = {
		shortest: 'the shortest way',
		level: 'along the level',
		upright: 'upright, as grain lies'
	};
	const corners = $derived(draft.drawing?.corners.length ?? 0);
</script>

{#if draft.drawing?.what === 'panel'}
	<fieldset class="small">
		<legend>The next line runs</legend>
		{#each Object.entries(RUNS) as [run, words] (run)}
			<label><input type="radio" name="run" value={run} bind:group={draft.run} /> {words}</label>
		{/each}
	</fieldset>
	{#if draft.plan.limb === 'trunk'}
		<label class="small"><input type="checkbox" bind:checked={draft.both} /> Its mirror image too</label>
	{/if}
	<p class="small" role="status">
		Press on the form where the seam turns: {corners} so far. The last joins the first.
	</p>
	<div class="row">
		<button class="button small main" type="button" disabled={corners < 3} onclick={() => draft.close()}
			>Close the panel</button
		>
		<button class="button small" type="button" disabled={corners === 0} onclick={() => draft.back()}
			>Back one</button
		>
		<button class="button small" type="button" onclick={() => (draft.drawing = null)}>Draw nothing</button>
	</div>
{:else if draft.drawing}
	<p class="small" role="status">
		{corners === 0
			? 'Press beside the border where the dart opens.'
			: 'Press where its tip lies, within the panel.'}
	</p>
	<button class="button small" type="button" onclick={() => (draft.drawing = null)}>Draw nothing</button>
{:else}
	<div class="row">
		<button class="button small" type="button" onclick={() => draft.draw('panel')}>Draw a panel</button>
		<button class="button small" type="button" onclick={() => draft.draw('dart')}>Draw a dart</button>
	</div>
{/if}
{#if draft.refused}<p class="small wrong" role="alert">{draft.refused}</p>{/if}

<style>
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		border: 0;
		padding: 0;
		margin: 12px 0 4px;
	}
	.row {
		margin-top: 10px;
	}
	.wrong {
		color: var(--red-ink);
	}
</style>
