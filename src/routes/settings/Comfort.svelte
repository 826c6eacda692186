<script lang="ts">
	/** What each part of the body bears for hours. */
	import { COMFORT_KEYS } from '$core/facts/wear.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import { BEARER_WORDS } from '$lib/ui/wear/bearerWords.ts';

	let { settings }: { settings: Settings } = $props();
</script>

<Sheet title="What is borne for hours">
	<p class="small soft">
		Shoulder, arm, hand and leg are those of one side. Starting values, from memory: Wear tells what is more.
	</p>
	<Form command="setComfort" version={settings.version} label="What is borne for hours">
		<div class="fields">
			{#each COMFORT_KEYS as key (key)}
				<Field
					name={key}
					label={capital(BEARER_WORDS[key])}
					value={formatNumber(settings.comfort[key], 0)}
					inputmode="decimal"
					suffix="g"
				/>
			{/each}
		</div>
		<Submit>Save these</Submit>
	</Form>
</Sheet>
