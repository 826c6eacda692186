<script lang="ts">
	/** A recipe onto components: as it is, or as a swatch has it. */
	import { inLedgerOrder } from '$core/facts/component.ts';
	import type { Swatch } from '$core/facts/swatch.ts';
	import type { Recipe } from '$core/trade/recipe.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import Choices from '$lib/ui/Choices.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import type { PageData } from './$types';
	import { VERDICT_WORDS } from './verdicts.ts';

	interface Props {
		open: boolean;
		recipeKey: string;
		recipe: Recipe;
		swatches: readonly Swatch[];
		elsewhere: PageData['elsewhere'];
		data: PageData;
	}
	let { open = $bindable(), recipeKey, recipe, swatches, elsewhere, data }: Props = $props();
	const nameOf = (id: number | null) => data.paints.find((m) => m.id === id)?.name ?? 'no paint';
	const words = (s: Swatch) => `${nameOf(s.materialId)}, ${dayWords(s.madeOn)}: ${VERDICT_WORDS[s.verdict]}`;
	const options = $derived([
		...swatches.map((s) => ({ value: s.id, label: words(s) })),
		...elsewhere.map((s) => ({ value: s.id, label: `${s.costumeName}: ${words(s)}` }))
	]);
	const used = $derived(swatches.find((s) => s.verdict === 'use'));
	const parts = $derived(
		inLedgerOrder(data.record.components)
			.map(({ item }) => item)
			.filter((c) => c.source !== 'buy')
	);
</script>

<Dialog bind:open title="Put on: {recipe.name}">
	<Form command="putOnRecipe" hidden={{ recipe: recipeKey }} onDone={() => (open = false)} label="Put it on">
		<div class="fields">
			<Choices
				legend="Components"
				name="componentIds[]"
				options={parts.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
				chosen={[]}
				framed
			/>
			<FormError name="componentIds" />
			{#if options.length}<Field
					name="swatchId"
					label="As its swatch"
					{options}
					none="none: coats as the recipe says"
					value={used?.id ?? ''}
					wide
				/>{/if}
		</div>
		<Tick name="instead" label="Instead of coats of which none is on yet" checked />
		<p class="small soft">
			Its coats become steps before rigging, with their waits. Work that is planned already is not added
			again.
		</p>
		<Submit>Put it on</Submit>
	</Form>
</Dialog>
