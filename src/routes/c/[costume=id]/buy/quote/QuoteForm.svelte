<script lang="ts">
	/** What the maker says of a new quote: the price follows while it is typed. */
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import type { quoteBegun } from '$core/answers/quote.ts';
	import type { QuoteSums } from '$core/facts/quote.ts';
	import { formatDate } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import type { TypedTerms } from './typedTerms.ts';

	interface Props {
		typed: TypedTerms;
		/** What it comes to as it is typed. */
		sums: QuoteSums | null;
		currency: string;
		/** What stands in the other fields. */
		begun: ReturnType<typeof quoteBegun>;
		/** The quote that the next one would change. */
		changes: number | null;
	}
	let { typed = $bindable(), sums, currency, begun, changes }: Props = $props();
</script>

<Form command="makeQuote" label="New quote">
	<div class="fields three">
		<Field
			name="hourRateMinor"
			label="An hour of work"
			bind:value={typed.rate}
			inputmode="decimal"
			suffix={currency}
		/>
		<Field
			name="feeMinor"
			label="Besides, for design and fittings"
			bind:value={typed.fee}
			inputmode="decimal"
			suffix={currency}
		/>
		<Field
			name="oddsPercent"
			label="Odds that the hours are enough"
			bind:value={typed.odds}
			inputmode="decimal"
			suffix="%"
			hint="hours beyond the usual ones are asked as not foreseen"
		/>
		<Field
			name="taxPercent"
			label="Tax on all of it"
			bind:value={typed.tax}
			inputmode="decimal"
			suffix="%"
			hint="empty: none is asked"
		/>
		<Field name="validUntil" label="Valid until" type="date" value={formatDate(begun.validUntil)} />
		<Field name="readyOn" label="Handed over by" type="date" value={formatDate(begun.readyOn)} />
	</div>
	<fieldset>
		<legend>Paid</legend>
		{#each typed.payments as payment, i (payment)}
			<div class="payment">
				<input
					name="names[]"
					bind:value={payment.name}
					aria-label="When payment {i + 1} is due"
					placeholder="with the order"
				/>
				<label
					><input
						class="short"
						name="percents[]"
						bind:value={payment.percent}
						inputmode="decimal"
						aria-label="Share of payment {i + 1}"
					/> %</label
				>
				<span class="money">{sums?.payments[i] ? formatMoney(sums.payments[i].minor, currency) : ''}</span>
				<button
					type="button"
					class="button small quiet"
					aria-label="Remove payment {i + 1}"
					onclick={() => typed.payments.splice(i, 1)}><X size={14} /></button
				>
			</div>
		{/each}
		<button type="button" class="button small" onclick={() => typed.payments.push({ name: '', percent: '' })}
			><Plus size={14} /> Payment</button
		>
		<FormError name="names" />
		<FormError name="percents" />
	</fieldset>
	<div class="fields">
		<Field
			name="maker"
			label="From"
			type="area"
			value={begun.maker}
			hint="your name and address, as it stands on the quote"
		/>
		<Field name="client" label="For the client" type="area" value={begun.client} hint="name and address" />
		<Field name="terms" label="Terms" type="area" value={begun.terms} wide />
	</div>
	<Submit>{changes === null ? 'Make the quote' : `Make a change to quote ${changes}`}</Submit>
</Form>

<style>
	fieldset {
		border: 1px solid var(--rule);
		padding: 8px 12px;
		margin: 12px 0;
	}
	.payment {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto minmax(7em, auto) auto;
		gap: 4px 10px;
		align-items: center;
		padding: 3px 0;
		max-width: 640px;
	}
	.short {
		width: 4.5em;
	}
	label {
		white-space: nowrap;
	}
	.money {
		font-family: var(--mono);
		text-align: right;
	}
	@media (max-width: 500px) {
		.payment {
			grid-template-columns: auto minmax(0, 1fr) auto;
		}
		.payment > input {
			grid-column: 1 / -1;
			width: 100%;
		}
	}
</style>
