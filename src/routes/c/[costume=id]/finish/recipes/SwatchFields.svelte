<script lang="ts">
	/** The fields of a swatch. */
	import { SURFACE_KEYS, type SurfaceKey } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import { VERDICTS, type Swatch } from '$core/facts/swatch.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import { dayOf, formatDate, type LocalMinutes } from '$core/units/localTime.ts';
	import ColourField from '$lib/ui/ColourField.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { VERDICT_WORDS } from './verdicts.ts';

	interface Props {
		swatch?: Swatch;
		/** Of a new one: what its recipe is for. */
		surface?: SurfaceKey | null;
		paints: readonly Material[];
		now: LocalMinutes;
	}
	let { swatch, surface = null, paints, now }: Props = $props();
</script>

<div class="fields">
	<Field
		name="materialId"
		label="Paint that is seen"
		options={paints.map((m) => ({ value: m.id, label: m.name }))}
		none="none of them"
		value={swatch?.materialId ?? ''}
		wide
	/>
	<Field
		name="coatsToCover"
		label="Coats until it covered"
		value={swatch?.coatsToCover ?? ''}
		inputmode="numeric"
		hint="empty: not counted"
	/>
	<Field
		name="surface"
		label="On a scrap of"
		options={SURFACE_KEYS.map((value) => ({ value, label: SURFACES[value].name }))}
		none="something else"
		value={(swatch ? swatch.surface : surface) ?? ''}
	/>
	<ColourField name="wet" label="Wet it looks" value={swatch?.wet ?? null} />
	<ColourField name="dry" label="Dry it looks" value={swatch?.dry ?? null} />
	<Field name="madeOn" label="Painted on" type="date" value={formatDate(swatch?.madeOn ?? dayOf(now))} />
	<Field
		name="verdict"
		label="Verdict"
		options={VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }))}
		value={swatch?.verdict ?? 'maybe'}
	/>
	<Field name="note" label="Note" type="area" value={swatch?.note ?? ''} wide />
</div>
