<script lang="ts">
	/** A recipe as the handbook’s row of it is typed. */
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import type { Recipe } from '$core/trade/recipe.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import RowFields from '$lib/ui/handbook/RowFields.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		open: boolean;
		/** None of a new one. */
		recipeKey?: string;
		recipe?: Recipe;
		trade: Catalogue;
		unit: LengthUnit;
	}
	let { open = $bindable(), recipeKey = '', recipe, trade, unit }: Props = $props();
</script>

<Dialog bind:open title={recipe ? recipe.name : 'New recipe'} wide>
	<Form command="setRecipe" hidden={{ key: recipeKey }} onDone={() => (open = false)} label="Recipe">
		<RowFields table="recipe" row={{ ...recipe }} {trade} {unit} />
		<Submit>{recipe ? 'Save' : 'Add recipe'}</Submit>
	</Form>
</Dialog>
