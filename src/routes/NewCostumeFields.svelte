<script lang="ts">
	/** For which day, what it is called, for whom, and what it may cost. */
	import { CURRENCIES } from '$core/units/money.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		/** Of the workshop. */
		currency: string;
		/** When it begins. */
		eventAt: string;
	}
	let { currency, eventAt = $bindable() }: Props = $props();
</script>

<div class="fields">
	<Field name="eventAt" label="Event begins" type="datetime-local" bind:value={eventAt} required wide />
	<Field name="name" label="Name" required wide />
	<Field name="wearer" label="Wearer" />
	<Field name="eventName" label="Event" />
	<Field name="limit" label="Limit of cost" inputmode="decimal" hint="Empty for no limit" />
	<Field name="currency" label="Currency" options={CURRENCIES} value={currency} />
</div>
