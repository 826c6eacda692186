<script lang="ts">
	/** One more wearer: a profile that exists, or a new one. */
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';

	interface Props {
		open: boolean;
		others: readonly Wearer[];
	}
	let { open = $bindable(), others }: Props = $props();
</script>

<Dialog bind:open title="One more wearer">
	{#if others.length}
		<Form command="wearCostume" label="A profile that exists" onDone={() => (open = false)}>
			<div class="fields">
				<Field
					name="wearerId"
					label="A profile that exists"
					options={others.map((w) => ({ value: w.id, label: w.name }))}
					value={others[0]?.id}
				/>
				<p class="alone"><button class="button">Wears this costume</button></p>
			</div>
		</Form>
		<hr />
	{/if}
	<Form command="addWearer" label="A new profile" onDone={() => (open = false)}>
		<div class="fields">
			<Field name="name" label="Name" value="" />
			<Field name="note" label="Note" value="" hint="posture, glasses, sides that differ" />
		</div>
		<Submit>Begin a profile</Submit>
	</Form>
</Dialog>

<style>
	.alone {
		align-self: end;
	}
	hr {
		margin: 16px 0;
		border: 0;
		border-top: 1px solid var(--rule);
	}
</style>
