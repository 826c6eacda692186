<script lang="ts">
	/** The callout that is chosen: whose it is, on which side, mirrored or taken away. */
	import { CALLOUT_SIDES, type Callout } from '$core/facts/picture.ts';
	import Field from '$lib/ui/Field.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
	import Act from '$lib/ui/Act.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Sheet from '$lib/ui/Sheet.svelte';

	interface Props {
		callout: Callout;
		name: string;
		options: readonly { value: number; label: string }[];
		ongone: () => void;
	}
	let { callout, name, options, ongone }: Props = $props();
</script>

<Sheet title={name} level={3}>
	{#key `${callout.id} ${callout.version}`}
		<Form command="editCallout" id={callout.id} version={callout.version} label="Callout">
			<div class="below">
				<Field
					name="componentId"
					label="Component"
					{options}
					none="not known yet: a region to claim"
					value={callout.componentId ?? ''}
				/>
				<Field name="side" label="Side" options={CALLOUT_SIDES} value={callout.side} />
				<Field name="label" label="Words" value={callout.label} />
			</div>
			<Submit>Save</Submit>
		</Form>
	{/key}
	<div class="row">
		<Act command="mirrorCallout" id={callout.id}><FlipHorizontal2 size={14} /> Mirror</Act>
		<Act command="removeCallout" id={callout.id} look="quiet" onDone={ongone}><Trash2 size={14} /> Remove</Act
		>
	</div>
	<p class="small soft how">Drag it, or its corners.</p>
</Sheet>

<style>
	.how {
		margin: 8px 0;
	}
</style>
