<script lang="ts">
	/** Components of another costume, to copy with their steps. */
	import Dialog from './Dialog.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import FormError from './FormError.svelte';
	import Submit from './Submit.svelte';

	interface Props {
		open: boolean;
		others: readonly {
			id: number;
			name: string;
			components: readonly { id: number; parentId: number | null; code: string; name: string }[];
		}[];
	}
	let { open = $bindable(), others }: Props = $props();
	// svelte-ignore state_referenced_locally
	let fromId = $state(String(others[0]?.id ?? ''));
	const from = $derived(others.find((o) => String(o.id) === fromId));
</script>

<Dialog bind:open title="Copy from another costume">
	<Form command="copyBreakdown" label="Copy from another costume" onDone={() => (open = false)}>
		<Field
			name="fromId"
			label="Costume"
			options={others.map((o) => ({ value: String(o.id), label: o.name }))}
			bind:value={fromId}
		/>
		{#if from}
			{#key from.id}
				<fieldset>
					<legend>Components, with their steps, coats and materials</legend>
					{#each from.components as c (c.id)}
						<label
							><input type="checkbox" name="componentIds[]" value={c.id} checked />
							<span class="figure">{c.code}</span>
							{c.name}</label
						>
					{/each}
				</fieldset>
			{/key}
		{/if}
		<FormError name="componentIds" />
		<p class="small soft">
			Nothing is done, bought or logged in the copy. Codes that are taken get the next free one.
		</p>
		<Submit>Copy</Submit>
	</Form>
</Dialog>

<style>
	fieldset {
		border: 1px solid var(--rule);
		margin: 12px 0;
		padding: 8px 12px;
		display: grid;
		gap: 4px;
	}
	legend {
		font-size: var(--s13);
		font-weight: 600;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 30px;
	}
	@media (max-width: 700px) {
		label {
			min-height: 44px;
		}
	}
</style>
