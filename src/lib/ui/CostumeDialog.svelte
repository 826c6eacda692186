<script lang="ts">
	/** What a costume is: its event, days kept before it, limit, and how its steps may be split. */
	import type { Costume } from '$core/facts/costume.ts';
	import { formatLocalTime } from '$core/units/localTime.ts';
	import { typedMoney } from '$core/units/money.ts';
	import Dialog from './Dialog.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import Tick from './Tick.svelte';
	import Submit from './Submit.svelte';

	interface Props {
		open: boolean;
		costume: Costume;
	}
	let { open = $bindable(), costume }: Props = $props();
	const limit = $derived(typedMoney(costume.limitMinor, costume.currency));
</script>

<Dialog bind:open title="Costume">
	<Form
		command="editCostume"
		at="/c/{costume.id}/plan"
		version={costume.version}
		label="Costume"
		onDone={() => (open = false)}
	>
		<div class="fields">
			<Field name="name" label="Name" value={costume.name} required wide />
			<Field name="wearer" label="Wearer" value={costume.wearer} />
			<Field name="eventName" label="Event" value={costume.eventName} />
			<Field
				name="eventAt"
				label="Event begins"
				type="datetime-local"
				value={formatLocalTime(costume.eventAt)}
				required
			/>
			<Field
				name="bufferDays"
				label="Days kept before it"
				value={costume.bufferDays}
				inputmode="numeric"
				hint="for test wear and packing"
			/>
			<Field
				name="rehearsalAt"
				label="Dress rehearsal"
				type="datetime-local"
				value={costume.rehearsalAt === null ? '' : formatLocalTime(costume.rehearsalAt)}
				hint="when everything is worn once; may stay empty"
			/>
			<Field name="limitMinor" label="Limit of cost ({costume.currency})" value={limit} inputmode="decimal" />
			<Field
				name="split"
				label="A step that is begun"
				options={[
					{ value: 'windows', label: 'goes on in every window until done' },
					{ value: 'anywhere', label: 'may be set aside, in parts of 30 min' }
				]}
				value={costume.split}
			/>
			<Field name="note" label="Note" type="area" value={costume.note} wide />
		</div>
		<Tick
			name="stashAtCost"
			label="Count what comes from the stash at what it cost"
			checked={costume.stashAtCost}
		/>
		<Submit>Save</Submit>
	</Form>
</Dialog>
