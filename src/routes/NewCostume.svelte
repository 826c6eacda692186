<script lang="ts">
	/** A new costume: for whom, for which event, and what it may cost. */
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import NewCostumeFields from './NewCostumeFields.svelte';

	interface Props {
		open: boolean;
		/** Of the workshop. */
		currency: string;
		inSixWeeks: string;
		onDone: (result: unknown) => void;
	}
	let { open = $bindable(), currency, inSixWeeks, onDone }: Props = $props();
</script>

<Dialog bind:open title="New costume">
	<Form command="addCostume" {onDone} label="New costume">
		<NewCostumeFields {currency} eventAt={inSixWeeks} />
		<Submit>Add costume</Submit>
	</Form>
</Dialog>
