<script lang="ts">
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Copy from '@lucide/svelte/icons/copy';
	import Handshake from '@lucide/svelte/icons/handshake';
	import FileDown from '@lucide/svelte/icons/file-down';
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import { componentHoursFigure } from '$core/explain/plan.ts';
	import { type Zone } from '$core/facts/zone.ts';
	import CopyBreakdown from '$lib/ui/CopyBreakdown.svelte';
	import Ledger, { treeOf } from '$lib/ui/Ledger.svelte';
	import PasteDialog from '$lib/ui/PasteDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { pressing } from '$lib/ui/pressing.ts';
	import { run } from '$lib/ui/run.ts';
	import Views from '$lib/ui/Views.svelte';
	import { lookViews } from '$lib/lookViews.ts';
	import type { PageData } from './$types';
	import LedgerHeads from '$lib/ui/LedgerHeads.svelte';
	import NewComponent from './NewComponent.svelte';
	import QuickLines from './QuickLines.svelte';
	import WornWith from './WornWith.svelte';
	import BesideFigure from '$lib/ui/BesideFigure.svelte';

	let { data }: { data: PageData } = $props();
	const components = $derived(data.record.components);
	const base = $derived(`/c/${data.record.costume.id}`);
	// Deep state of its own, because dragging rearranges it before anything is saved.
	// svelte-ignore state_referenced_locally
	// eslint-disable-next-line svelte/prefer-writable-derived -- a derived value is not deeply reactive
	let tree = $state(treeOf(components));
	$effect.pre(() => {
		tree = treeOf(components);
	});
	const EXAMPLE =
		'name\tkind\tside\tlayer\tzones\troute\tpart of\nHelmet\tarmor\tnone\t3\thead\tfoam plate\t\nVisor\tarmor\tnone\t4\tface\tprinted part\tHelmet';
	let adding = $state(false);
	let pasting = $state(false);
	let copying = $state(false);
	let borrowing = $state(false);
	let zone = $state<Zone | null>(null);
	let looked = $state<Component | null>(null);
	/** What is being typed, before it is kept. */
	let coming = $state.raw<Component[]>([]);

	const visible = $derived(
		zone ? new Set(components.filter((c) => c.zones.includes(zone!)).map((c) => c.id)) : null
	);
	const moveTo = (id: number, parentId: number | null, index: number) =>
		run('moveComponent', { id, parentId, index });

	/** Alt and arrows move; plain arrows walk the ledger. */
	function onkey(event: KeyboardEvent, c: Component) {
		// A working opened from the ledger lies inside it, and its fields need their arrows.
		if ((event.target as HTMLElement).closest('dialog')) return;
		const order = inLedgerOrder(components).map((n) => n.item);
		const walk = (by: number) => focusOn(order[order.findIndex((o) => o.id === c.id) + by]?.id);
		const siblings = components.filter((s) => s.parentId === c.parentId);
		const at = siblings.findIndex((s) => s.id === c.id);
		const before = siblings[at - 1];
		const parent = components.find((p) => p.id === c.parentId);
		pressing({
			above: () => walk(-1),
			below: () => walk(1),
			up: () => before && moveTo(c.id, c.parentId, at - 1),
			down: () => at < siblings.length - 1 && moveTo(c.id, c.parentId, at + 1),
			into: () =>
				before && moveTo(c.id, before.id, components.filter((p) => p.parentId === before.id).length),
			out: () => {
				if (!parent) return;
				const uncles = components.filter((p) => p.parentId === parent.parentId);
				void moveTo(c.id, parent.parentId, uncles.findIndex((u) => u.id === parent.id) + 1);
			}
		})(event);
	}
	function focusOn(id: number | undefined) {
		document.querySelector<HTMLElement>(`[data-component="${id}"] a`)?.focus();
	}
</script>

<svelte:head><title>Look · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<BesideFigure
	components={[...components, ...coming]}
	progress={data.progress}
	bind:zone
	{looked}
	legend="Outlines stand off the skin by layer; stitched through when made."
>
	<Sheet title="Components">
		{#snippet tools()}
			<button class="button small" onclick={() => (pasting = true)}
				><ClipboardPaste size={14} /> Paste rows</button
			>
			{#if data.others.length}<button class="button small" onclick={() => (copying = true)}
					><Copy size={14} /> Copy from</button
				>{/if}
			{#if data.lendable.length}<button class="button small" onclick={() => (borrowing = true)}
					><Handshake size={14} /> Borrow</button
				>{/if}
			<a class="button small" href="{base}/out/costume" download><FileDown size={14} /> File</a>
			<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print</button>
			<button class="button main small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Component</button
			>
		{/snippet}
		<div class="quick no-print"><QuickLines {components} bind:coming /></div>
		{#if components.length}
			<LedgerHeads />
			<Ledger
				bind:branches={tree}
				{base}
				stages={data.stages}
				leftOf={(c) => componentHoursFigure(c, data.record, data.plan)}
				{visible}
				onmove={moveTo}
				{onkey}
				onlook={(c) => (looked = c)}
			/>
			<p class="small soft hint no-print">
				Drag by the handle to reorder, or into another component to make it a part. By keyboard: Alt and
				arrows.
			</p>
		{:else if !coming.length}
			<p class="hint">
				Nothing broken down yet. A component is what is put on, carried or repaired as one thing: a
				breastplate, a pair of bracers, a skirt, a wig, a lantern. The usual steps of how it is made come
				along.
			</p>
		{/if}
	</Sheet>
</BesideFigure>

<WornWith
	costumeId={data.record.costume.id}
	borrowed={data.borrowed}
	lent={data.lent}
	lendable={data.lendable}
	bind:open={borrowing}
/>
<CopyBreakdown bind:open={copying} others={data.others} />
<PasteDialog bind:open={pasting} command="pasteComponents" title="Paste components" example={EXAMPLE} />
<NewComponent bind:open={adding} {components} {zone} {base} />

<style>
	.quick {
		margin-bottom: 12px;
	}
	.hint {
		margin-top: 12px;
	}
</style>
