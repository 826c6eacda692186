<script lang="ts">
	/** How many times its weight pulls on what holds a thing. */
	import { MOTIONS } from '$core/facts/wear.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	let { settings }: { settings: Settings } = $props();
</script>

<Sheet title="How motion pulls">
	<p class="small soft">
		How many times its weight pulls on what holds a thing (common practice). Wear goes by jumping.
	</p>
	<Form command="setLoadFactors" version={settings.version} label="How motion pulls">
		<div class="fields">
			{#each MOTIONS as motion (motion)}
				<Field
					name={motion}
					label={capital(motion)}
					value={formatNumber(settings.loadFactors[motion], 2)}
					inputmode="decimal"
					suffix="×"
				/>
			{/each}
		</div>
		<Submit>Save these</Submit>
	</Form>
</Sheet>
