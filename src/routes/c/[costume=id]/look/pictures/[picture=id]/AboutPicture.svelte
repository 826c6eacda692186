<script lang="ts">
	/** The picture itself, and every callout on it. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { goto } from '$app/navigation';
	import type { Component } from '$core/facts/component.ts';
	import { type Callout, type ReferencePicture } from '$core/facts/picture.ts';
	import type { Shade } from '$lib/ui/calloutColours.ts';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Swatch from '$lib/ui/Swatch.svelte';
	import Field from '$lib/ui/Field.svelte';
	import PictureFields from '$lib/ui/PictureFields.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		picture: ReferencePicture;
		title: string;
		base: string;
		callouts: readonly Callout[];
		components: readonly Component[];
		shade: (component: Component | undefined) => Shade;
		chosen: number | null;
		onchoose: (callout: number) => void;
	}
	let { picture, title, base, callouts, components, shade, chosen, onchoose }: Props = $props();
	let editing = $state(false);
</script>

<Sheet {title} level={3}>
	{#snippet tools()}
		<button class="button quiet small" onclick={() => (editing = true)}><Pencil size={14} /> Edit</button>
	{/snippet}
	<p class="small">
		{picture.angle} · {picture.design === 'own' ? 'own design' : 'faithful'} ·
		<span class="figure">{picture.width} × {picture.height}</span> px
		{#if picture.sourceNote}· {picture.sourceNote}{/if}
	</p>
	<p class="small">
		<a href="{base}/measure/pictures/{picture.id}"
			>{picture.scale ? 'Measure on it' : 'Give it a scale and measure'}</a
		>
	</p>
	{#if callouts.length}
		<ul>
			{#each callouts as callout (callout.id)}
				{@const component = components.find((c) => c.id === callout.componentId)}
				<li>
					<button class="entry" aria-pressed={chosen === callout.id} onclick={() => onchoose(callout.id)}>
						<Swatch colour={shade(component).colour} dashed={!component} />
						{#if component}<Tag {component} short />{component.name}{:else}<b>{callout.label || 'region'}</b>
							<span class="small soft">not claimed</span>{/if}
						{#if callout.side !== 'none'}<span class="small soft">{callout.side}</span>{/if}
					</button>
				</li>
			{/each}
		</ul>
	{/if}
</Sheet>

<Dialog bind:open={editing} title="Reference picture">
	<Form command="editReference" id={picture.id} version={picture.version} onDone={() => (editing = false)}>
		<div class="fields">
			<PictureFields {picture} />
			<Field
				name="purpose"
				label="Is for"
				options={[
					{ value: 'look', label: 'the breakdown' },
					{ value: 'trace', label: 'tracing pieces' }
				]}
				value={picture.purpose}
			/>
		</div>
		<Submit>Save</Submit>
	</Form>
	<div class="end">
		<Act
			command="removeReference"
			id={picture.id}
			look="quiet"
			at="{base}/look/pictures"
			onDone={() => goto(`${base}/look/pictures`)}><Trash2 size={14} /> Remove this picture</Act
		>
	</div>
</Dialog>

<style>
	ul {
		list-style: none;
		margin: 8px 0 0;
		padding: 0;
	}
	.entry {
		display: flex;
		gap: 8px;
		align-items: center;
		width: 100%;
		min-height: 34px;
		padding: 2px 4px;
		border: 0;
		border-bottom: 1px solid var(--rule);
		background: none;
		text-align: left;
		cursor: pointer;
	}
	.entry:hover {
		background: var(--sheet-shade);
	}
	.entry[aria-pressed='true'] {
		background: var(--pink-wash);
	}
	@media (max-width: 700px) {
		.entry {
			min-height: 44px;
		}
	}
</style>
