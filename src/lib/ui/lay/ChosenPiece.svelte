<script lang="ts">
	/** What can be done with the piece that is chosen on the mat. */
	import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
	import Pin from '@lucide/svelte/icons/pin';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import type { Placement } from '$core/facts/layout.ts';
	import { shortCode, type HandOnSheets } from './handOnSheets.svelte.ts';

	interface Props {
		hand: HandOnSheets;
		held: Placement | undefined;
		/** It stays when the rest is laid again. */
		locked: boolean;
		busy: boolean;
		/** Sheets that are begun, and whether another can be. */
		sheets: number;
		more: boolean;
		onlock: () => void;
	}
	let { hand, held, locked, busy, sheets, more, onlock }: Props = $props();
	const piece = $derived(held && hand.pieceOf(held));
	/** Sheets that it can be put on: those that are begun, and one more. */
	const others = $derived(
		Array.from({ length: sheets + (more ? 1 : 0) }, (_, i) => i + 1).filter((n) => n !== held?.sheet)
	);
</script>

<div class="row tools" role="toolbar" aria-label="The chosen piece">
	{#if held && piece}
		<b>{shortCode(piece.code)}</b>
		<span class="small">{piece.name}, copy {held.copy}{held.mirrored ? ', mirrored' : ''}</span>
		<button class="button small" type="button" disabled={busy} onclick={() => hand.turn(held, 1)}
			><RotateCcw size={14} /> Turn</button
		>
		<button
			class="button small"
			type="button"
			disabled={busy}
			aria-label="Turn the other way"
			onclick={() => hand.turn(held, -1)}><RotateCw size={14} /></button
		>
		{#if !piece.onFold}
			<button class="button small" type="button" disabled={busy} onclick={() => hand.turnOver(held)}
				><FlipHorizontal2 size={14} /> Turn over</button
			>
		{/if}
		<button class="button small" type="button" aria-pressed={locked} onclick={onlock}
			><Pin size={14} /> {locked ? 'Kept there' : 'Keep it there'}</button
		>
		{#if others.length}
			<select
				class="to"
				aria-label="Move it to"
				disabled={busy}
				value=""
				onchange={(event) => {
					hand.putOn(held, Number(event.currentTarget.value));
					event.currentTarget.value = '';
				}}
			>
				<option value="">to sheet…</option>
				{#each others as n (n)}<option value={n}>{n > sheets ? 'to a new sheet' : `to sheet ${n}`}</option
					>{/each}
			</select>
		{/if}
	{:else}
		<span class="small soft"
			>Choose a piece to move, turn or keep it. Drag it; or arrows, R, F and Enter.</span
		>
	{/if}
	<span class="small told" role="status">{hand.told}</span>
</div>

<style>
	.tools {
		min-height: 46px;
		padding: 8px 0;
		position: sticky;
		bottom: 0;
		z-index: 2;
		background: var(--sheet);
	}
	.to {
		width: auto;
		min-height: 30px;
		padding: 2px 4px;
	}
	.told:not(:empty) {
		color: var(--red-ink);
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.tools {
			bottom: 62px;
		}
	}
</style>
