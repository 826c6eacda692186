<script lang="ts">
	/** What the work uses up and nothing stands for yet, and what was entered beside what the work comes to. */
	import { handOf, workFigure, type WorkUse } from '$core/answers/workUse.ts';
	import type { Component } from '$core/facts/component.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		missing: readonly { supply: string; quantity: number; componentIds: number[] }[];
		asked: readonly WorkUse[];
		components: readonly Component[];
	}
	let { missing, asked, components }: Props = $props();
	const trade = $derived(handbook());
	const codeOf = (id: number) => components.find((c) => c.id === id)?.code ?? '';
</script>

{#each asked as use (`${use.componentId} ${use.supply}`)}
	{@const material = use.material!}
	<div class="ask" role="group" aria-label="{material.name} for {codeOf(use.componentId)}">
		<p>
			<b>{codeOf(use.componentId)}</b>
			{material.name}: <b>{formatNumber(handOf(use), 2)} {material.unit}</b> were entered, its work comes to
			<b><Working figure={workFigure(use, material.name, material.unit, trade)} /></b>. Only one counts: until
			you say, what was entered.
		</p>
		{#each [{ counts: 'work', words: 'Go by its work' }, { counts: 'hand', words: 'Keep what was entered' }] as choice (choice.counts)}
			<Form command="settleNeeds" hidden={{ counts: choice.counts }} class="act">
				{#each use.byHand as need (need.id)}<input type="hidden" name="ids[]" value={need.id} />{/each}
				<button class="button small">{choice.words}</button>
			</Form>
		{/each}
	</div>
{/each}

{#if missing.length}
	<Form command="addSupplies" label="What work uses up" class="missing">
		<p class="small">
			Its work also uses up what no material stands for yet. Add what you buy for it: it is counted from then
			on, from the steps, in every costume.
		</p>
		<ul>
			{#each missing as m (m.supply)}
				{@const row = trade.supply[m.supply]!}
				<li>
					<label
						><input type="checkbox" name="supplies[]" value={m.supply} checked />
						<b>{row.name}</b>
						{formatNumber(m.quantity, 1)}
						{row.unit}
						<span class="soft">{m.componentIds.map(codeOf).join(', ')}</span></label
					>
				</li>
			{/each}
		</ul>
		<FormError name="supplies" />
		<button class="button small">Add what is ticked</button>
	</Form>
{/if}

<style>
	.ask {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 8px;
		border-left: 4px solid var(--brass);
		padding: 4px 10px;
		margin: 8px 0;
		font-size: var(--s13);
	}
	.ask p {
		flex: 1 1 26em;
		margin: 0;
	}
	ul {
		list-style: none;
		padding: 0;
		margin: 6px 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(15em, 1fr));
		gap: 4px 16px;
		font-size: var(--s13);
	}
	label {
		display: flex;
		flex-wrap: wrap;
		gap: 0 6px;
		align-items: center;
	}
	:global(form.missing) {
		margin: 8px 0 16px;
	}
</style>
