<script lang="ts">
	/** What to take along to mend it with: the most minutes that are likely to be saved, within what may be carried. */
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import Scale from '@lucide/svelte/icons/scale';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { KitTrouble } from '$core/answers/kitChoice.ts';
	import { kitFigure, kitWeighsFigure, troubleFigure } from '$core/explain/health.ts';
	import { holdRateOf } from '$core/trade/holdRate.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Working from '$lib/ui/Working.svelte';
	import KitBag from './KitBag.svelte';
	import KitRow from './KitRow.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const choice = $derived(data.choice);
	const limit = $derived(data.limit);
	const goes = $derived(choice.lines.filter((l) => l.taken));
	const stays = $derived(choice.lines.filter((l) => !l.taken));
	let limiting = $state(false);
	let adding = $state(false);
	let editing = $state<string | null>(null);
	const edited = $derived(choice.lines.find((l) => l.key === editing));
	const isEditing = $derived(editing !== null);
	const trade = handbook();
	const nameOf = ({ code, kind }: KitTrouble) =>
		`${code} ${kind === 'wig' ? 'slips' : holdRateOf(kind, trade).name}`;
	const min = (value: number) => `${formatNumber(value, value < 10 ? 1 : 0)} min`;
	const isOwn = $derived(edited?.use === 'own');
</script>

<svelte:head><title>Kit · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#snippet size(grams: number | null | undefined, ml: number | null | undefined, from: string)}
	<Field name="grams" label="Weight" value={grams ?? ''} inputmode="decimal" suffix="g" hint={from} />
	<Field name="ml" label="Room" value={ml ?? ''} inputmode="decimal" suffix="ml" hint={from} />
{/snippet}

<div class="two">
	<Sheet title="Emergency kit">
		{#snippet tools()}
			<button class="button small" onclick={() => (limiting = true)}><Scale size={14} /> Limit</button>
			<button class="button small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Of my own</button
			>
			<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button>
		{/snippet}
		<p class="answer" class:bad={choice.over}>
			{#if choice.over}What goes in any case is more than the limit.
			{:else}<Working figure={kitWeighsFigure(choice)} text="{formatNumber(choice.grams, 0)} g" /> save <Working
					figure={kitFigure(choice, nameOf)}
					text={formatNumber(choice.saves, 1)}
				/> of {min(choice.lost)}.{/if}
		</p>
		<KitBag {choice} {limit} />
		{#if !choice.proved}<p class="small wrong">
				Too many things to try every kit: a better one may be there.
			</p>{/if}
		<ul class="plain">
			{#each goes as line (line.key)}<KitRow {line} {choice} onedit={() => (editing = line.key)} />{/each}
		</ul>
		{#if stays.length}
			<h3>Stays</h3>
			<ul class="plain">
				{#each stays as line (line.key)}<KitRow {line} {choice} onedit={() => (editing = line.key)} />{/each}
			</ul>
		{/if}
		<p class="small soft">
			Most minutes a gram first. Glues and solvents by their labels and the rules of the carrier; nothing is
			mended on the wearer with hot tools.
		</p>
	</Sheet>
	<Sheet title="What it is for">
		{#if choice.troubles.length}
			<ul class="plain">
				{#each choice.troubles as t (`${t.code} ${t.kind}`)}
					<li class="trouble">
						<span>{nameOf(t)}</span>
						<span class="bar" aria-hidden="true"
							><span style:width="{(100 * t.costs) / choice.troubles[0]!.costs}%"
								><span style:width="{100 * t.saves}%"></span></span
							></span
						>
						<span class="mono"
							><Working figure={troubleFigure(t, `${nameOf(t)}: costs`)} text={min(t.costs)} /></span
						>
						<span class="small soft">saved {formatNumber(100 * t.saves, 0)} %</span>
					</li>
				{/each}
			</ul>
			<p class="small soft">
				How likely a thing lets go at the next wear, as the inspection says it of all that is planned, times
				what that costs without a kit. Filled: what the kit saves.
			</p>
		{:else}
			<p>
				Nothing is known that could let go: say <a href="/c/{data.record.costume.id}/wear">what holds it</a>,
				or plan steps that glue, sew or paint.
			</p>
		{/if}
	</Sheet>
</div>

<Dialog bind:open={limiting} title="The kit is at most">
	<Form command="setKitLimit" label="The kit is at most" onDone={() => (limiting = false)}>
		<div class="fields">{@render size(limit?.grams, limit?.ml, 'empty for no limit')}</div>
		<Submit>Save</Submit>
	</Form>
</Dialog>
<Dialog bind:open={adding} title="Into the kit">
	<Form command="addKitItem" label="Into the kit" onDone={() => (adding = false)}>
		<div class="fields">
			<Field name="name" label="What" required />
			{@render size(null, null, 'a starting value where it is empty')}
		</div>
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<Dialog bind:open={() => isEditing, (open) => (editing = open ? editing : null)} title={edited?.name ?? ''}>
	{#if edited}
		<Form
			command="setKitItem"
			hidden={{ key: edited.key }}
			label={edited.name}
			onDone={() => (editing = null)}
		>
			<div class="fields">
				{@render size(edited.kept?.grams, edited.kept?.ml, 'a starting value where it is empty')}
				<Field
					name="takes"
					label="Goes along"
					options={[
						{ value: 'asWorkedOut', label: 'as it is worked out' },
						{ value: 'always', label: 'in any case' },
						{ value: 'never', label: 'never' }
					]}
					value={edited.takes}
				/>
			</div>
			<Submit>Save</Submit>
		</Form>
		{#if edited.kept}<Act
				command="removeKitItem"
				hidden={{ key: edited.key }}
				look="quiet"
				onDone={() => (editing = null)}><Trash2 size={14} /> {isOwn ? 'Remove' : 'Starting values again'}</Act
			>{/if}
	{/if}
</Dialog>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
		color: var(--good-ink);
	}
	.answer :global(button) {
		font: inherit;
	}
	.answer.bad,
	.wrong {
		color: var(--red-ink);
	}
	h3 {
		margin-top: 14px;
	}
	.trouble {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(60px, 0.7fr) 76px;
		gap: 2px 10px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
	.trouble .small {
		grid-column: 2 / -1;
	}
	.bar > span {
		display: block;
		height: 12px;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
		print-color-adjust: exact;
	}
	.bar > span > span {
		display: block;
		height: 100%;
		background: var(--good-ink);
		print-color-adjust: exact;
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
