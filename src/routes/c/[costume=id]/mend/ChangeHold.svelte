<script lang="ts">
	/** What lets go again and again is held otherwise: how often that lets go, and what it costs, before it is done. */
	import type { OtherHold } from '$core/answers/otherHold.ts';
	import type { Fault } from '$core/facts/fault.ts';
	import { formatNumber } from '$core/units/number.ts';
	import AsIf from '$lib/ui/AsIf.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		open: boolean;
		fault: Fault;
		others: readonly OtherHold[];
		currency: string;
	}
	let { open = $bindable(), fault, others, currency }: Props = $props();
	const many = ({ count, name }: OtherHold) => `${count > 1 ? `${count} × ` : ''}${name}`;
	const times = (rate: number) => `${formatNumber(rate, rate < 1 ? 2 : 1)} times`;
	const bears = ({ share }: OtherHold) =>
		share === null
			? ''
			: !Number.isFinite(share)
				? '; it tips all the same: see what holds it, under Wear'
				: `; takes ${formatNumber(100 * share, 0)} % of what it bears when jumping`;
</script>

<Dialog bind:open title="Hold it otherwise">
	<Form
		command="changeHold"
		hidden={{ faultId: fault.id }}
		label="Hold it otherwise"
		onDone={() => (open = false)}
	>
		<fieldset>
			<legend class="small soft"
				>What is there lets go {times(others[0]!.before)} in ten wears. The one that lets go least first:</legend
			>
			{#each others as other, i (other.fastener)}
				<label>
					<input type="radio" name="fastener" value={other.fastener} checked={i === 0} />
					<span
						><b>{many(other)}</b>
						<span class="small soft">lets go {times(other.per10)} in ten wears{bears(other)}</span></span
					>
				</label>
			{/each}
		</fieldset>
		<AsIf action="tryChangeHold" {currency} follows={false} />
		<p class="small soft">
			Taking the old one off and setting this one become the cure; what of the usual cure is not begun goes.
		</p>
		<Submit>Change it</Submit>
	</Form>
</Dialog>

<style>
	fieldset {
		border: 0;
		margin: 0;
		padding: 0;
		display: grid;
	}
	label {
		display: flex;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		border-top: 1px solid var(--rule);
	}
	label span {
		display: block;
	}
</style>
