<script lang="ts">
	/** A component is pointed at or outlined on a picture. */
	import { CALLOUT_SIDES } from '$core/facts/picture.ts';
	import type { DraftPoints } from '$lib/ui/draftPoints.svelte.ts';
	import Form from '$lib/ui/Form.svelte';
	import PointsEnd from '$lib/ui/PointsEnd.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		pictureId: number;
		shape: 'point' | 'outline';
		draft: DraftPoints;
		options: readonly { value: number; label: string }[];
		componentId: string;
		side: string;
	}
	let { pictureId, shape, draft, options, componentId = $bindable(), side = $bindable() }: Props = $props();
	let label = $state('');
	let form: Form;
	/** Places what is drawn, with what stands in the fields. */
	export const place = () => form.submit();
</script>

<Sheet title={shape === 'point' ? 'Point at a component' : 'Outline a component'} level={3}>
	<Form
		bind:this={form}
		command="addCallout"
		label="New callout"
		hidden={{ pictureId, shape, points: JSON.stringify(draft.points) }}
		onDone={() => draft.clear()}
	>
		<div class="across">
			<Field
				name="componentId"
				label="Component"
				{options}
				none="not known yet: a region to claim"
				bind:value={componentId}
			/>
			<Field name="side" label="Side" options={CALLOUT_SIDES} bind:value={side} />
			{#if componentId === ''}<Field name="label" label="What is it?" bind:value={label} />
			{:else}<input type="hidden" name="label" value="" />{/if}
		</div>
		<p class="small soft how">
			{#if shape === 'point'}Click where it is. By keyboard: move the picture under the cross, then Enter.
			{:else}Click round it; click the first point again, or Finish. Backspace takes a point back.{/if}
		</p>
		<PointsEnd
			{draft}
			ready={draft.count >= (shape === 'outline' ? 3 : 1)}
			label={shape === 'outline' ? `Finish outline (${draft.count} points)` : 'Place'}
		/>
	</Form>
</Sheet>

<style>
	.across {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
		gap: 8px 12px;
	}
	.how {
		margin: 8px 0;
	}
</style>
