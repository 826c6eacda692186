<script lang="ts">
	/** A new costume: for whom, for which event, and what it may cost. */
	import Dialog from '$lib/ui/Dialog.svelte';
	import { CURRENCIES } from '$core/units/money.ts';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';

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
		<div class="fields">
			<Field name="name" label="Name" required wide />
			<Field name="wearer" label="Wearer" />
			<Field name="eventName" label="Event" />
			<Field name="eventAt" label="Event begins" type="datetime-local" value={inSixWeeks} required wide />
			<Field name="limit" label="Limit of cost" inputmode="decimal" hint="Empty for no limit" />
			<Field name="currency" label="Currency" options={CURRENCIES} value={currency} />
		</div>
		<Submit>Add costume</Submit>
	</Form>
</Dialog>
