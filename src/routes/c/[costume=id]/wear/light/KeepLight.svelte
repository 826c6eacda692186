<script lang="ts">
	/** Keeps the circuit of the page with a component. */
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import type { Wearing } from '$core/facts/wear.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		typed: Readonly<Record<string, string>>;
		components: readonly Component[];
		wearings: readonly Wearing[];
	}
	let { typed, components, wearings }: Props = $props();
	const options = $derived(
		inLedgerOrder(components).map(({ item }) => ({
			value: String(item.id),
			label: `${item.code} ${item.name}${wearings.some((w) => w.componentId === item.id && w.circuit) ? ', in place of its own' : ''}`
		}))
	);
</script>

{#if options.length}
	<Form command="keepLight" hidden={{ ...typed }} label="Keep the circuit" class="keep no-print">
		<Field name="componentId" label="It lights" {options} value={options[0]!.value} />
		<Submit>Keep it, and need its parts</Submit>
	</Form>
{/if}

<style>
	:global(form.keep) {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: end;
		margin-top: 12px;
	}
</style>
