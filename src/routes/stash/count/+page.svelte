<script lang="ts">
	/** A stock-take with the phone in hand: from place to place, each lot ticked or counted, put away as one action. */
	import ArrowLeft from '@lucide/svelte/icons/arrow-left';
	import { SvelteMap, SvelteSet } from 'svelte/reactivity';
	import { countedOf } from '$core/answers/lots.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Room from '$lib/ui/Room.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import CountLot from './CountLot.svelte';

	let { data }: { data: PageData } = $props();
	const lots = $derived(data.places.flatMap((p) => p.lots));
	const seen = new SvelteSet<number>();
	const typed = new SvelteMap<number, string>();
	const gone = new SvelteSet<number>();
	const count = (of: typeof lots) =>
		countedOf(
			of.map((l) => l.lot),
			seen,
			typed
		);
	const all = $derived(count(lots));
	const mark = <T,>(set: SvelteSet<T>, key: T, on: boolean) => (on ? set.add(key) : set.delete(key));
	function put() {
		seen.clear();
		typed.clear();
		gone.clear();
	}
</script>

<svelte:head><title>Stock-take · Dapper Ledger</title></svelte:head>
<Room>
	<div class="head">
		<a class="button small" href="/stash"><ArrowLeft size={14} /> Stash</a>
		<p class="on-mat">
			Tick what is as it says, type what is not. What is passed over stays as it was; all of it waits on this
			device until it is put away.
		</p>
	</div>
	{#if lots.length}
		<Form command="takeStock" label="Stock-take" reset onDone={put}>
			{#if data.places.length > 1}<nav aria-label="Places">
					{#each data.places as { place, lots: own }, k (place)}
						<a href="#place-{k}"
							>{place || 'no place yet'}
							<span class="small">{count(own).counted}/{own.length}</span></a
						>
					{/each}
				</nav>{/if}
			<div class="stack">
				{#each data.places as { place, lots: own }, k (place)}
					<Sheet title={place || 'No place yet'} id="place-{k}">
						<ul class="plain">
							{#each own as { material, lot } (lot.id)}
								<CountLot
									{material}
									{lot}
									today={data.today}
									seen={seen.has(lot.id)}
									typed={typed.get(lot.id) ?? ''}
									onseen={(on) => mark(seen, lot.id, on)}
									ontyped={(text) => typed.set(lot.id, text)}
								/>
							{/each}
						</ul>
					</Sheet>
				{/each}
				{#if data.offcuts.length}
					<Sheet title="Offcuts that are not there any more">
						<ul class="plain">
							{#each data.offcuts as o (o.id)}
								{@const box = boxOf(o.outline)}
								<li class="offcut">
									<label>
										<input
											type="checkbox"
											name="gone[]"
											value={o.id}
											onchange={(e) => mark(gone, o.id, e.currentTarget.checked)}
										/>
										<span
											><b>{o.name}</b>
											<span class="small soft"
												>{o.material}, {formatLength(box.right, data.settings.lengthUnit)} × {formatLength(
													box.top,
													data.settings.lengthUnit
												)}{o.note ? `, ${o.note}` : ''}</span
											></span
										>
									</label>
								</li>
							{/each}
						</ul>
					</Sheet>
				{/if}
			</div>
			<div class="foot">
				<div class="far" aria-hidden="true"><span style:width="{(100 * all.counted) / all.of}%"></span></div>
				<p aria-live="polite">
					<b>{all.counted} of {all.of}</b> counted{all.otherwise
						? `, ${all.otherwise} otherwise than it said`
						: ''}{gone.size ? `, ${gone.size} gone` : ''}
				</p>
				<button class="button main" disabled={all.counted === 0 && gone.size === 0}>Put away the count</button
				>
			</div>
			<FormError name="seen" />
		</Form>
	{:else}
		<Sheet title="Stock-take">
			<p>
				Nothing is in the stash yet. <a href="/stash">Stash</a> takes what is owned, lot by lot, and says where
				it lies.
			</p>
		</Sheet>
	{/if}
</Room>

<style>
	.head {
		display: flex;
		gap: 8px 16px;
		align-items: center;
		flex-wrap: wrap;
	}
	.on-mat {
		margin: 0;
		color: var(--on-mat-soft);
		font-size: var(--s13);
		flex: 1;
		min-width: 240px;
	}
	nav {
		display: flex;
		gap: 6px;
		flex-wrap: wrap;
		margin-bottom: 12px;
	}
	nav a {
		background: var(--sheet);
		color: var(--ink);
		padding: 6px 10px;
		min-height: 44px;
		display: inline-flex;
		gap: 8px;
		align-items: center;
		text-decoration: none;
	}
	nav .small {
		font-family: var(--mono);
		color: var(--ink-soft);
	}
	.offcut label {
		display: flex;
		gap: 12px;
		align-items: center;
		min-height: 48px;
		border-bottom: 1px solid var(--rule);
		cursor: pointer;
	}
	.offcut input {
		width: 24px;
		height: 24px;
		flex: none;
	}
	.foot {
		position: sticky;
		bottom: 0;
		display: flex;
		gap: 8px 16px;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		background: var(--tape);
		color: var(--tape-ink);
		padding: 12px 16px;
		margin-top: 16px;
		box-shadow: var(--shadow);
	}
	.foot p {
		margin: 0;
	}
	.far {
		position: absolute;
		inset: 0 0 auto;
		height: 5px;
		background: rgb(0 0 0 / 14%);
	}
	.far span {
		display: block;
		height: 100%;
		background: var(--pink-ink);
	}
	@media (max-width: 700px) {
		/* One line of places, moved by the thumb. */
		nav {
			flex-wrap: nowrap;
			overflow-x: auto;
		}
		nav a {
			flex: none;
		}
		.foot {
			margin-inline: -8px;
		}
		.foot p {
			flex: 1 1 100%;
		}
		.foot .button {
			flex: 1;
		}
	}
</style>
