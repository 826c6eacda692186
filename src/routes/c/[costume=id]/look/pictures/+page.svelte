<script lang="ts">
	import pluralize from 'pluralize';
	import { goto } from '$app/navigation';
	import { referencesOf } from '$core/facts/picture.ts';
	import { unplaced } from '$core/answers/callouts.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import AddPicture from '$lib/ui/AddPicture.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const pictures = $derived(referencesOf(data.look.pictures));
	/** Of pieces on a mat: they are traced under Pattern, and not broken down. */
	const traced = $derived(data.look.pictures.filter((p) => p.purpose === 'trace'));
	const callouts = $derived(data.look.callouts.filter((c) => pictures.some((p) => p.id === c.pictureId)));
	const open = $derived(unplaced(data.record.components, callouts));
	const placedOn = (id: number) =>
		new Set(callouts.filter((c) => c.pictureId === id && c.componentId !== null).map((c) => c.componentId))
			.size;
	const unclaimedOn = (id: number) => open.callouts.filter((c) => c.pictureId === id).length;
</script>

<svelte:head><title>Pictures · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<Sheet title="Reference pictures">
	{#snippet tools()}
		<AddPicture onDone={(result) => goto(`${base}/look/pictures/${(result as { id: number }).id}`)} />
	{/snippet}
	{#if pictures.length}
		<ul class="prints">
			{#each pictures as picture (picture.id)}
				<li>
					<a href="{base}/look/pictures/{picture.id}">
						<img
							src="/picture/{picture.hash}?side=512"
							alt={picture.title || `Picture, ${picture.angle}`}
							loading="lazy"
						/>
						<span class="name">{picture.title || `Picture ${picture.position + 1}`}</span>
						<span class="small soft"
							>{picture.angle} · {picture.design === 'own' ? 'own design' : 'faithful'} · {placedOn(
								picture.id
							)}
							{pluralize('component', placedOn(picture.id))}{picture.scale ? ' · to scale' : ''}</span
						>
						{#if unclaimedOn(picture.id)}<span class="open">{unclaimedOn(picture.id)} not claimed</span>{/if}
					</a>
				</li>
			{/each}
		</ul>
	{:else}
		<p>
			No picture yet. Gather the costume from several angles: front, back, both sides, and details. Then place
			every component on them; what is on no picture is most often what gets forgotten. Drop a picture here,
			paste one, or take one with the camera.
		</p>
	{/if}
</Sheet>
{#if traced.length}
	<p class="on-mat small">
		To trace pieces from, not broken down:
		{#each traced as picture, i (picture.id)}{i ? ', ' : ''}<a href="{base}/look/pictures/{picture.id}"
				>{picture.title || `Picture ${picture.position + 1}`}</a
			>{/each}
	</p>
{/if}
{#if data.record.components.length}
	<Sheet title="On no picture yet">
		{#if open.components.length}
			<p class="row">
				{#each open.components as component (component.id)}<Tag
						{component}
						href="{base}/look/{component.id}"
					/>{/each}
			</p>
		{:else}<p class="soft">Every component stands on a picture.</p>{/if}
	</Sheet>
{/if}
{#if open.callouts.length}
	<Sheet title="Regions not claimed">
		<ul class="regions">
			{#each open.callouts as callout (callout.id)}
				{@const picture = pictures.find((p) => p.id === callout.pictureId)!}
				<li>
					<a href="{base}/look/pictures/{picture.id}?at={callout.id}">{callout.label || 'a region'}</a>
					<span class="small soft">on {picture.title || `the ${picture.angle} picture`}</span>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

<style>
	.prints {
		list-style: none;
		padding: 0;
		margin: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
		gap: 20px 16px;
	}
	.prints a {
		display: grid;
		gap: 2px;
		text-decoration: none;
	}
	.prints img {
		width: 100%;
		aspect-ratio: 4 / 5;
		object-fit: contain;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
	}
	.prints a:hover .name {
		text-decoration: underline;
	}
	.name {
		font-weight: 600;
	}
	.open {
		justify-self: start;
		padding: 0 6px;
		background: var(--yellow-wash);
		color: var(--yellow-ink);
		font-size: var(--s13);
		font-weight: 600;
	}
	.regions {
		margin: 0;
		padding-left: 18px;
	}
</style>
