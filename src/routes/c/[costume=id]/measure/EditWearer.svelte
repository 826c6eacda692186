<script lang="ts">
	/** A wearer’s profile, and whether this one wears the costume. */
	import Form from '$lib/ui/Form.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		open: boolean;
		wearer: Wearer;
	}
	let { open = $bindable(), wearer }: Props = $props();
</script>

<Dialog bind:open title="Profile">
	<Form command="editWearer" id={wearer.id} version={wearer.version} onDone={() => (open = false)}>
		<div class="fields">
			<Field name="name" label="Name" value={wearer.name} />
			<Field name="note" label="Note" value={wearer.note} />
		</div>
		<Submit>Save</Submit>
	</Form>
	<div class="row end">
		<Act command="unwearCostume" hidden={{ wearerId: wearer.id }} onDone={() => (open = false)}
			>No longer wears this costume</Act
		>
		<Act command="removeWearer" id={wearer.id} look="quiet" onDone={() => (open = false)}
			><Trash2 size={14} /> Remove the profile</Act
		>
	</div>
</Dialog>
