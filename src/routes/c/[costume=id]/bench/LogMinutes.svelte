<script lang="ts">
	/** Minutes worked, written down afterwards. */
	import { formatLocalTime, type LocalMinutes } from '$core/units/localTime.ts';
	import Form from '$lib/ui/Form.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tick from '$lib/ui/Tick.svelte';

	interface Props {
		/** Of what; null while the dialog is shut. */
		step: { stepId: number; name: string } | null;
		maker: string;
		clock: LocalMinutes;
	}
	let { step = $bindable(), maker, clock }: Props = $props();
</script>

<Dialog
	bind:open={
		() => step !== null,
		(open) => {
			if (!open) step = null;
		}
	}
	title="Log minutes: {step?.name ?? ''}"
>
	{#if step}
		<Form
			command="logWork"
			hidden={{ stepId: step.stepId, makerId: maker }}
			onDone={() => (step = null)}
			label="Log minutes"
		>
			<div class="fields">
				<Field name="minutes" label="Worked" hint="e.g. 45m, 1h20" />
				<Field name="endedAt" label="Until" type="datetime-local" value={formatLocalTime(clock)} />
				<Field name="note" label="Note" type="area" wide />
			</div>
			<div class="row">
				<Tick name="finish" label="The step is done" />
				<Tick name="anyway" label="Even against a warning" />
			</div>
			<Submit>Log it</Submit>
		</Form>
	{/if}
</Dialog>
