<script lang="ts">
	/** A stack of coats, drawn as it is built up: the surface at the bottom, and where it would let go. */
	import X from '@lucide/svelte/icons/x';
	import { materialOfCoat } from '$core/answers/coatStack.ts';
	import { checkStack, stackOf } from '$core/answers/stackCheck.ts';
	import { coatFigure } from '$core/explain/coating.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import { formatWait } from '$core/units/duration.ts';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import { formatArea } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '../Act.svelte';
	import Fact from '../Fact.svelte';
	import GuessMark from '../GuessMark.svelte';
	import { handbook } from '../handbook/handbook.ts';
	import Working from '../Working.svelte';
	import Band from './Band.svelte';
	import Crack from './Crack.svelte';

	interface Props {
		component: Component;
		record: CostumeRecord;
		settings: Settings;
		materials: readonly Material[];
		now: LocalMinutes;
		onedit: (coatId: number) => void;
		/** What it is of is to be said. */
		onsay: () => void;
	}
	let { component, record, settings, materials, now, onedit, onsay }: Props = $props();
	const coats = $derived(record.coats.filter((c) => c.componentId === component.id));
	const onOf = (coatId: number) =>
		record.steps.filter((s) => s.coatId === coatId && s.doneAt !== null).length;
	const trade = $derived(handbook());
	const stack = $derived(stackOf(component, record, materials));
	const warnings = $derived(checkStack(stack.ground, stack.layers, trade, now));
	/** From the outside in; of the other work what lies between coats, and what is warned of. */
	const rows = $derived.by(() => {
		const [first, last] = [
			stack.layers.findIndex((l) => l.kind === 'coat'),
			stack.layers.findLastIndex((l) => l.kind === 'coat')
		];
		const told = new Set(warnings.flatMap((w) => [w.over, w.on]));
		return stack.layers
			.map((layer, at) => ({ layer, at }))
			.filter(({ layer, at }) => layer.kind === 'coat' || (at > first && at < last) || told.has(at))
			.reverse();
	});
</script>

<ol class="stack" reversed aria-label="Coats of {component.code}, the outermost first">
	{#each rows as { layer, at } (`${layer.kind} ${layer.id}`)}
		{#if layer.kind === 'coat'}
			{@const coat = coats.find((c) => c.id === layer.id)!}
			{@const p = coatProductOf(trade, coat.product)}
			{@const material = materialOfCoat(coat, materials)}
			{@const figure = coatFigure(coat, component, record, trade, materials)}
			<li class="layer">
				<Band
					coats={coat.coats}
					on={onOf(coat.id)}
					lab={material?.lab}
					label="{onOf(coat.id)} of {coat.coats} coats on"
				/>
				<span class="what">
					<b>{p.name}</b>
					{onOf(coat.id)}/{coat.coats}{#if material}<span class="small soft with">{material.name}</span>{/if}
					{#if p.withinMinutes !== null}<span class="window small"
							>within {formatWait(p.withinMinutes)}, or only after {formatWait(p.orAfterMinutes ?? 0)}</span
						>{/if}
				</span>
				<dl>
					<Fact name="area"
						>{formatArea(coat.area, settings.lengthUnit)}{#if coat.fromPieces}<span class="small soft besides"
								>of its pieces</span
							>{:else if coat.guessed}
							<GuessMark />{/if}</Fact
					>
					<Fact name="next after">{formatWait(coat.recoatMinutes)}</Fact>
					<Fact name="handle after">{formatWait(coat.handlingMinutes)}</Fact>
					<Fact name="packs" figure={false}><Working {figure} text={formatNumber(valueOf(figure), 2)} /></Fact
					>
				</dl>
				<span class="change">
					<button class="button small quiet" onclick={() => onedit(coat.id)}>Edit</button>
					<Act command="removeCoat" id={coat.id} look="quiet" label="Remove {p.name}"><X size={14} /></Act>
				</span>
			</li>
		{:else}
			<li class="layer work">
				<span class="band"></span>
				<span class="small soft">{layer.name}</span>
			</li>
		{/if}
		{#each warnings.filter((w) => w.over === at) as warning (warning.rule)}
			<Crack {component} {warning} layers={stack.layers} {trade} />
		{/each}
	{/each}
	<li class="layer ground">
		<span class="band"><i data-surface={stack.ground.surface ?? ''}></i></span>
		<span class="what"
			>{stack.ground.surface ? SURFACES[stack.ground.surface].name : 'Nobody has said what it is of'}<span
				class="small soft besides"
				>{#if stack.ground.surface && !component.surface}
					by its materials{/if}{#if stack.ground.bends}, bends{/if}</span
			></span
		>
		<span class="change"
			><button class="button small quiet" aria-label="Say what {component.code} is of" onclick={onsay}
				>{stack.ground.surface ? 'Edit' : 'Say'}</button
			></span
		>
	</li>
</ol>

<style>
	.stack {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	.layer {
		display: grid;
		grid-template-columns: 64px minmax(150px, 1fr) auto 92px;
		gap: 0 14px;
		align-items: center;
	}
	.work > .band {
		align-self: stretch;
	}
	.ground > .band {
		display: flex;
		flex-direction: column;
		justify-content: flex-end;
		align-self: stretch;
	}
	.layer > .what,
	.layer > dl,
	.layer > .change {
		padding: 7px 0;
	}
	.layer:not(.work) > :is(.what, dl, .change) {
		align-self: stretch;
		align-content: center;
	}
	dl {
		display: grid;
		grid-template-columns: repeat(4, minmax(72px, auto));
		gap: 0 18px;
		margin: 0;
		text-align: right;
	}
	.change {
		display: flex;
		align-items: center;
		justify-content: flex-end;
	}
	.ground > .change {
		grid-column: -2;
	}
	.work .band {
		border-left: 1px dashed var(--ink-soft);
		border-right: 1px dashed var(--ink-soft);
		min-height: 20px;
	}
	.ground .band i {
		flex: 1 0 30px;
		border: 1px solid var(--ink-soft);
	}
	.besides {
		margin-left: 0.4em;
	}
	.with {
		display: block;
	}
	.window {
		display: block;
		color: var(--yellow-ink);
		font-weight: 600;
	}
	@container (max-width: 680px) {
		.layer:not(.work, .ground) {
			grid-template-columns: 44px 1fr auto;
		}
		.layer > dl {
			grid-column: 2 / -1;
			grid-row: 2;
			padding-top: 0;
			grid-template-columns: repeat(4, auto);
			justify-content: space-between;
			gap: 0 6px;
			text-align: left;
		}
		.layer:not(.work, .ground) > :global(.band) {
			grid-row: 1 / 3;
		}
		.work,
		.ground {
			grid-template-columns: 44px 1fr auto;
		}
	}
	dl :global(dd) {
		margin: 0;
	}
	dl :global(dt) {
		font-size: var(--s13);
		color: var(--ink-soft);
	}
</style>
