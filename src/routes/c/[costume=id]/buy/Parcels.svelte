<script lang="ts">
	/** What is on its way: one card a parcel, the first to come first. */
	import PackageOpen from '@lucide/svelte/icons/package-open';
	import { wholeOf, type JointPurchase } from '$core/facts/jointPurchase.ts';
	import type { Parcel } from '$core/answers/parcels.ts';
	import type { Material } from '$core/facts/material.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import Form from '$lib/ui/Form.svelte';

	interface Props {
		parcels: readonly Parcel[];
		materials: readonly Material[];
		joints: readonly JointPurchase[];
		onedit: (purchase: number) => void;
	}
	let { parcels, materials, joints, onedit }: Props = $props();
	const nameOf = (id: number) => materials.find((m) => m.id === id)?.name ?? '';
</script>

<ul>
	{#each parcels as parcel (parcel.lines[0]!.id)}
		<li class:overdue={parcel.overdue} aria-label="Parcel from {parcel.supplier || 'somebody'}">
			<p class="head">
				<b>{parcel.supplier || 'no supplier'}</b>
				<span class="small"
					>{#if parcel.overdue}<b class="wrong">overdue</b> since{:else}due{/if}
					{dayWords(parcel.dueOn)}</span
				>
			</p>
			{#if parcel.orderedOn !== null}<p class="small soft">ordered {dayWords(parcel.orderedOn)}</p>{/if}
			<ol>
				{#each parcel.lines as p (p.id)}<li>
						{wholeOf(p, joints).packs} × {nameOf(p.materialId)}
						<button
							class="button small quiet"
							onclick={() => onedit(p.id)}
							aria-label="{nameOf(p.materialId)} came in part, or late">Edit</button
						>
					</li>{/each}
			</ol>
			<Form command="arriveParcel" label="Parcel from {parcel.supplier}">
				{#each parcel.lines as p (p.id)}<input type="hidden" name="ids[]" value={p.id} />{/each}
				<button class="button small"
					><PackageOpen size={14} /> {parcel.lines.length > 1 ? 'All of it came' : 'It came'}</button
				>
			</Form>
		</li>
	{/each}
</ul>

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
		gap: 12px;
	}
	ul > li {
		border: 1px solid var(--brass);
		/* The string round it. */
		background:
			linear-gradient(var(--brass), var(--brass)) 28px 0 / 2px 100% no-repeat,
			var(--tape);
		color: var(--tape-ink);
		padding: 10px 12px 12px 42px;
	}
	ul > li.overdue {
		border-color: var(--red-ink);
	}
	p,
	ol {
		margin: 0;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 10px;
	}
	ol {
		list-style: none;
		padding: 4px 0 8px;
		font-size: var(--s15);
	}
	ol li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
	}
	.soft,
	.button.quiet {
		color: inherit;
	}
</style>
