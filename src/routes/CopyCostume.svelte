<script lang="ts">
	/** A costume made again: nothing done, logged or bought comes along. */
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		/** Null while the dialog is shut. */
		costume: { id: number; name: string } | null;
		inSixWeeks: string;
		onDone: (result: unknown) => void;
	}
	let { costume = $bindable(), inSixWeeks, onDone }: Props = $props();
</script>

<Dialog
	bind:open={
		() => costume !== null,
		(open) => {
			if (!open) costume = null;
		}
	}
	title="Copy {costume?.name}"
>
	{#if costume}
		<Form command="copyCostume" id={costume.id} {onDone} label="Copy costume">
			<p class="soft">
				The breakdown, steps, coats and needs, to make again. Nothing done, logged or bought comes along.
			</p>
			<div class="fields">
				<Field name="name" label="Name" value="{costume.name}, again" required wide />
				<Field name="eventAt" label="Event begins" type="datetime-local" value={inSixWeeks} required wide />
			</div>
			<p class="end row">
				<button class="button main">Copy</button>
				<button type="button" class="button quiet" onclick={() => (costume = null)}>Leave</button>
			</p>
		</Form>
	{/if}
</Dialog>
