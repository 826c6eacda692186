<script lang="ts">
	/** What every shape is cut from, chosen down one column. */
	import pluralize from 'pluralize';
	import { SvelteMap } from 'svelte/reactivity';
	import { cutFromAny } from '$core/answers/cutFrom.ts';
	import { cutShapes, type CutShape } from '$core/answers/cutShapes.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import { formatLength, formatSmallArea } from '$core/units/measure.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const materials = $derived(data.workshop.materials);
	const rows = $derived(cutShapes(data.record, data.fit.shapes, materials, fittedOf(data.fit)));
	/** What was chosen since, by the name of its field. */
	const chosen = new SvelteMap<string, string>();
	const fieldOf = ({ shape }: CutShape, role?: string) =>
		role === undefined ? `material.${shape.id}` : `role.${shape.id}.${role}`;
	const kept = ({ shape }: CutShape, role?: string) =>
		String((role === undefined ? shape.materialId : shape.roles[role]) ?? '');
	const valueOf = (row: CutShape, role?: string) =>
		chosen.get(fieldOf(row, role)) ??
		(kept(row, role) || (role === undefined && row.suggested ? String(row.suggested.id) : ''));
	const bare = $derived(rows.filter((row) => valueOf(row) === ''));
	const changed = $derived(
		rows.flatMap((row) => [undefined, ...row.roles].filter((role) => valueOf(row, role) !== kept(row, role)))
			.length
	);
	const can = $derived(
		cutFromAny(
			materials,
			rows.flatMap(({ shape: s }) => [s.materialId ?? 0, ...Object.values(s.roles)])
		)
	);
	const thickWords = (row: CutShape) => {
		const its = materials.find((m) => String(m.id) === valueOf(row))?.thicknessMm;
		return its == null ? '' : formatLength(its * (valueOf(row) === kept(row) ? row.shape.layers : 1), unit);
	};
	let forBare = $state('');
	function fill() {
		for (const row of bare) chosen.set(fieldOf(row), forBare);
	}
</script>

<svelte:head><title>Cut from · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#snippet choice(row: CutShape, role?: string)}
	{@const name = fieldOf(row, role)}
	<select
		{name}
		value={valueOf(row, role)}
		onchange={(e) => chosen.set(name, e.currentTarget.value)}
		class:changed={valueOf(row, role) !== kept(row, role)}
		aria-label="{row.shape.name || shaperOf(row.shape.shaper).name} of {row.component.code}, {role ??
			'cut from'}"
	>
		<option value="">{role === undefined ? 'not chosen yet' : 'as above'}</option>
		{#each can as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}
	</select>
	<FormError {name} />
{/snippet}

<Sheet title="Cut from">
	{#if rows.length}
		<p class="lead" aria-live="polite">
			{bare.length
				? `${pluralize('shape', bare.length, true)} of ${rows.length} cut from nothing yet`
				: `All ${pluralize('shape', rows.length, true)} have their material`}
		</p>
		<p class="small soft">
			Layouts, thickness, what is bought and what is painted follow from it. What a component takes most of is
			suggested where nothing was chosen.
		</p>
		{#if bare.length}
			<div class="row fill">
				<label class="small" for="for-bare">For all that have none</label>
				<select id="for-bare" bind:value={forBare}>
					<option value="">choose</option>
					{#each can as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}
				</select>
				<button type="button" class="button small" disabled={!forBare} onclick={fill}
					>Fill {bare.length}</button
				>
			</div>
		{/if}
		<Form command="cutShapes" label="Cut from" onDone={() => chosen.clear()}>
			<ul class="plain shapes">
				{#each rows as row, i (row.shape.id)}
					<li>
						<span class="of"
							>{#if row.component.id !== rows[i - 1]?.component.id}<Tag
									component={row.component}
									href="{base}/look/{row.component.id}"
								/>{/if}</span
						>
						<span
							><a href="{base}/pattern/{row.shape.id}">{row.shape.name || shaperOf(row.shape.shaper).name}</a>
							<span class="small soft"
								>{row.pieces
									? `${pluralize('piece', row.pieces.count, true)}, ${formatSmallArea(row.pieces.area, unit)}`
									: 'gives no pieces yet'}</span
							></span
						>
						<span class="choice"
							>{@render choice(row)}
							{#if valueOf(row) !== kept(row) && !chosen.has(fieldOf(row))}<span class="small soft"
									>suggested</span
								>{/if}</span
						>
						<span class="small"
							>{thickWords(row)}{#if row.componentMm !== null && thickWords(row)}<span class="soft"
									>, {row.component.code} is {formatLength(row.componentMm, unit)}</span
								>{/if}</span
						>
						{#each row.roles as role (role)}
							<span class="role small">{role}</span>
							<span class="choice">{@render choice(row, role)}</span>
						{/each}
					</li>
				{/each}
			</ul>
			<div class="foot">
				<button class="button main" disabled={changed === 0}
					>{changed ? `Cut ${pluralize('shape', changed, true)} so` : 'Nothing to change'}</button
				>
			</div>
		</Form>
	{:else}
		<p>No shapes yet. <a href="{base}/pattern/new">Draw one</a>, and say here what it is cut from.</p>
	{/if}
</Sheet>

<style>
	.lead {
		font: 600 var(--s24) / 1.2 var(--head);
	}
	.fill {
		margin-top: 8px;
	}
	.fill select {
		width: auto;
	}
	.shapes {
		margin-top: 12px;
	}
	.shapes li {
		display: grid;
		grid-template-columns: 190px minmax(0, 1fr) minmax(0, 1fr) 150px;
		gap: 4px 12px;
		align-items: center;
		padding: 6px 0;
		border-top: 1px solid var(--rule);
	}
	.role {
		grid-column: 2;
		text-align: right;
	}
	.choice {
		display: grid;
		gap: 2px;
	}
	.changed {
		border-color: var(--brass);
		box-shadow: inset 3px 0 0 var(--brass);
	}
	.foot {
		display: flex;
		justify-content: flex-end;
		border-top: 2px solid var(--ink);
		padding-top: 10px;
	}
	@media (max-width: 900px) {
		.shapes li {
			grid-template-columns: minmax(0, 1fr);
		}
		.role {
			grid-column: 1;
			text-align: left;
		}
		.of:empty {
			display: none;
		}
	}
</style>
