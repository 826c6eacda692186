<script lang="ts">
	/** Between which differences parts of one colour read as a mistake. */
	import type { Settings } from '$core/facts/workshop.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	let { settings }: { settings: Settings } = $props();
</script>

<Sheet title="Colours that read as a mistake">
	<p class="small soft">
		Parts that are meant to be one colour, and are told apart at a seam without looking meant: ΔE00, 1 is just
		seen side by side, above 10 is another colour.
	</p>
	<Form command="setNearMiss" version={settings.version} label="Near misses">
		<div class="fields">
			<Field
				name="nearMissLeast"
				label="From"
				value={formatNumber(settings.nearMissLeast, 1)}
				inputmode="decimal"
			/>
			<Field
				name="nearMissMost"
				label="To"
				value={formatNumber(settings.nearMissMost, 1)}
				inputmode="decimal"
			/>
		</div>
		<Submit>Save these</Submit>
	</Form>
</Sheet>
