<script lang="ts">
	/**
	 * The fields of a component, for adding and for editing. What a new one is called says most of them, by the words of the
	 * trade; what is seldom said is folded away.
	 */
	import {
		FLEXES,
		inLedgerOrder,
		KINDS,
		SEEN_FROM,
		SIDES,
		SOURCES,
		SURFACE_KEYS,
		type Component
	} from '$core/facts/component.ts';
	import { SOURCE_WORDS } from '$core/answers/lineSaid.ts';
	import { completed, readLines } from '$core/answers/quickLine.ts';
	import { ZONES, zoneWords, type Zone } from '$core/facts/zone.ts';
	import { page } from '$app/state';
	import { SURFACES } from '$core/trade/surface.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatLength } from '$core/units/measure.ts';
	import BodyFigure from './BodyFigure.svelte';
	import Choices from './Choices.svelte';
	import Field from './Field.svelte';
	import { useForm } from './formState.ts';
	import { handbook } from './handbook/handbook.ts';

	interface Props {
		component?: Component;
		/** Zones ticked at first, when adding from the figure. */
		zones?: readonly Zone[];
		/** What a new one may be a part of, and lie over. */
		components?: readonly Component[];
	}
	let { component, zones = [], components = [] }: Props = $props();
	const trade = handbook();
	const form = useForm();
	/** What is refused is not folded away. */
	const FOLDED = ['form', 'flex', 'surface', 'seenFrom', 'lookNeed', 'code', 'parentId', 'zones', 'note'];
	const unit = $derived((page.data.workshop as Workshop).settings.lengthUnit);
	const SIDE_WORDS = { none: 'middle or whole', left: 'left', right: 'right', pair: 'pair, left and right' };
	const NEED_WORDS = [
		'0 nobody would miss it',
		'1 hardly',
		'2 a little',
		'3 usual',
		'4 much',
		'5 the look is lost without it'
	];
	// svelte-ignore state_referenced_locally
	let name = $state<string | number | null>(component?.name ?? '');
	/** What a new one of this name is as a rule. */
	const read = $derived(component ? null : (readLines(String(name), components, trade)[0] ?? null));
	/** What the word that is being typed is likely to be; Tab takes it. */
	const offered = $derived(component ? null : completed(String(name), trade));
	function complete(event: KeyboardEvent) {
		if (event.key !== 'Tab' || event.shiftKey || !offered) return;
		event.preventDefault();
		name = String(name).replace(/[\p{L}-]*$/u, offered);
	}
	const its = $derived(component ?? read);
	let side = $derived(its?.side ?? 'none');
	/** Chosen on the figure or ticked; until then as the name says. */
	let chosen = $derived<readonly Zone[]>(component?.zones ?? (zones.length ? zones : (read?.zones ?? [])));
	const toggle = (zone: Zone) =>
		(chosen = chosen.includes(zone) ? chosen.filter((z) => z !== zone) : [...chosen, zone]);
	const routes = $derived(
		Object.entries(trade.route).map(([value, route]) => ({
			value,
			label: `${route.name} (${route.kinds.join(', ')})`
		}))
	);
</script>

<div class="with-figure">
	<div class="fields two">
		<Field
			name="name"
			label="Name"
			bind:value={name}
			required
			wide
			hint={component
				? undefined
				: offered
					? `Tab: ${offered}`
					: 'e.g. pauldrons, long coat, wig: the rest follows from it, and can be changed'}
			onkeydown={complete}
		/>
		{#if !component}
			<Field
				name="route"
				label="Route: its usual steps"
				options={routes}
				none="no steps yet"
				value={read?.route ?? ''}
			/>
			<Field
				name="furtherRoute"
				label="And by another"
				options={routes}
				none="no other"
				value={read?.furtherRoutes[0] ?? ''}
			/>
		{/if}
		<Field name="kind" label="Kind" options={KINDS} value={its?.kind ?? 'armor'} />
		<Field
			name="source"
			label="How to get it"
			options={SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value] }))}
			value={its?.source ?? 'make'}
		/>
		<Field
			name="side"
			label="Side"
			options={SIDES.map((s) => ({ value: s, label: SIDE_WORDS[s] }))}
			bind:value={side}
		/>
		<Field name="count" label="Count" value={its?.count ?? 1} inputmode="numeric" hint="of each side" />
		<Field name="layer" label="Layer" value={its?.layer ?? 1} inputmode="numeric" hint="0 is skin" />
		<Field
			name="thicknessMm"
			label="Thickness"
			value={its?.thicknessMm == null ? '' : formatLength(its.thicknessMm, unit)}
			inputmode="decimal"
			hint="how far it stands off what is beneath; empty: not known"
		/>
	</div>
	<div class="zones">
		<BodyFigure components={[]} {chosen} onchoose={toggle} />
		<p class="small soft">
			{chosen.length ? chosen.map(zoneWords).join(', ') : 'Where it is: click the zones.'}
		</p>
	</div>
</div>
<details open={FOLDED.some((field) => form.errors[field]) || undefined}>
	<summary
		>More: form, surface, how it is seen, code,{component ? '' : ' part of,'} zones as a list, note</summary
	>
	<div class="fields three">
		<Field name="form" label="Form" value={its?.form ?? ''} hint="e.g. 6 mm foam plate" />
		<Field name="flex" label="Rigid or stretch" options={FLEXES} value={its?.flex ?? 'rigid'} />
		<Field
			name="surface"
			label="Surface"
			options={SURFACE_KEYS.map((value) => ({ value, label: SURFACES[value].name }))}
			none="as its materials"
			value={its?.surface ?? ''}
		/>
		<Field name="seenFrom" label="Seen from" options={SEEN_FROM} value={component?.seenFrom ?? 'near'} />
		<Field
			name="lookNeed"
			label="The look needs it"
			options={NEED_WORDS.map((label, value) => ({ value, label }))}
			value={component?.lookNeed ?? 3}
		/>
		<Field name="code" label="Code" value={component?.code ?? ''} hint="empty: the next free one" />
		{#if !component}<Field
				name="parentId"
				label="Part of"
				options={inLedgerOrder(components).map(({ item, depth }) => ({
					value: item.id,
					label: `${'  '.repeat(depth)}${item.code} ${item.name}`
				}))}
				none="nothing: it stands by itself"
				value=""
			/>{/if}
		<Choices
			legend="Zones"
			name="zones[]"
			options={ZONES.map((value) => ({ value, label: zoneWords(value) }))}
			{chosen}
			onchoose={toggle}
			framed
		/>
		<Field name="note" label="Note" type="area" value={component?.note ?? ''} wide />
	</div>
</details>

<style>
	.with-figure {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 300px;
		gap: 16px;
	}
	.fields.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 12px;
		align-content: start;
	}
	.zones {
		--figure-ink: var(--ink-soft);
		text-align: center;
	}
	details {
		margin-top: 12px;
		border-top: 1px solid var(--rule);
		padding-top: 4px;
	}
	summary {
		cursor: pointer;
		min-height: 30px;
		display: list-item;
		padding: 4px 0;
	}
	@media (max-width: 700px) {
		.with-figure {
			grid-template-columns: minmax(0, 1fr);
		}
		.zones {
			max-width: 300px;
			margin: 0 auto;
		}
	}
</style>
