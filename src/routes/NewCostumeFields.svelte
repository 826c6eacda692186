<script lang="ts">
	/** What it is called, for whom, for which day, and what it may cost. */
	import { CURRENCIES } from '$core/units/money.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		/** Of the workshop. */
		currency: string;
		/** When it begins. */
		eventAt: string;
		/** It begins with the day. */
		dayFirst?: boolean;
	}
	let { currency, eventAt = $bindable(), dayFirst = false }: Props = $props();
</script>

{#snippet day()}
	<Field name="eventAt" label="Event begins" type="datetime-local" bind:value={eventAt} required wide />
{/snippet}

<div class="fields">
	{#if dayFirst}{@render day()}{/if}
	<Field name="name" label="Name" required wide />
	<Field name="wearer" label="Wearer" />
	<Field name="eventName" label="Event" />
	{#if !dayFirst}{@render day()}{/if}
	<Field name="limit" label="Limit of cost" inputmode="decimal" hint="Empty for no limit" />
	<Field name="currency" label="Currency" options={CURRENCIES} value={currency} />
</div>
