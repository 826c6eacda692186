<script lang="ts">
	/** Rows from a spreadsheet, pasted at once. All come, or none. */
	import Dialog from './Dialog.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import Submit from './Submit.svelte';

	interface Props {
		open: boolean;
		command: string;
		title: string;
		example: string;
	}
	let { open = $bindable(), command, title, example }: Props = $props();
</script>

<Dialog bind:open {title} wide>
	<Form {command} label={title} onDone={() => (open = false)}>
		<p class="soft">The first row names the columns, in any order; only a name is needed. For example:</p>
		<pre>{example}</pre>
		<Field name="rows" label="Rows" type="area" />
		<Submit>Add the rows</Submit>
	</Form>
</Dialog>

<style>
	pre {
		font-family: var(--mono);
		font-size: var(--s13);
		background: var(--sheet-shade);
		padding: 8px 12px;
		overflow-x: auto;
		margin: 8px 0;
	}
</style>
