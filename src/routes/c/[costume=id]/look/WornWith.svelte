<script lang="ts">
	/** Components that serve in several costumes: what is borrowed, what is lent, and when each is where. */
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { missingFor, type Booking, type Shared } from '$core/answers/bookings.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		costumeId: number;
		borrowed: readonly Shared[];
		lent: readonly Shared[];
		/** Components of other costumes. */
		lendable: readonly { id: number; code: string; name: string; costume: string; isAway: boolean }[];
		/** The dialog in which one is borrowed. */
		open: boolean;
	}
	let { costumeId, borrowed, lent, lendable, open = $bindable() }: Props = $props();
	const free = $derived(lendable.filter((l) => !borrowed.some((b) => b.component.id === l.id)));
	const loanOf = (shared: Shared) => shared.loans.find((l) => l.costumeId === costumeId)!;
	const where = ({ costumeId: of, costume, on, missingTo }: Booking) =>
		`${dayWords(on, 0)}: ${of === costumeId ? 'here' : costume}${missingTo === null ? '' : `, missing: it is with ${missingTo}`}`;
</script>

{#snippet bookings(shared: Shared)}
	<span class="small soft days">
		{#each shared.bookings as b (b.costumeId)}<span class:missing={b.missingTo !== null}>{where(b)}</span
			>{:else}nobody wears it soon{/each}
	</span>
{/snippet}

{#if borrowed.length || lent.length}
	<Sheet title="Worn with other costumes">
		<ul class="plain">
			{#each borrowed as shared (shared.component.id)}
				{@const missing = missingFor(costumeId, shared)}
				<li>
					<span
						><b>{shared.component.code} {shared.component.name}</b> of
						<a href="/c/{shared.owner.id}/look/{shared.component.id}">{shared.owner.name}</a>{shared.owner
							.isAway
							? ', at rest'
							: ''}
						{#if missing}<span class="missing">Missing at this event: it is with {missing}.</span>{/if}</span
					>
					{@render bookings(shared)}
					<Act
						command="giveBack"
						id={loanOf(shared).id}
						look="quiet"
						label="Give {shared.component.code} {shared.component.name} back"
						><Undo2 size={14} /> Give back</Act
					>
				</li>
			{/each}
			{#each lent as shared (shared.component.id)}
				<li>
					<span
						><b>{shared.component.code} {shared.component.name}</b>, lent to {shared.loans
							.map((l) => l.costume)
							.join(', ')}</span
					>
					{@render bookings(shared)}
				</li>
			{/each}
		</ul>
		<p class="small soft">
			Made, mended and paid for where it belongs. Two events need a day between them, or it is missing at one.
		</p>
	</Sheet>
{/if}

<Dialog bind:open title="Borrow a component">
	<Form command="borrowComponent" label="Borrow a component" onDone={() => (open = false)}>
		<p class="small soft">It is worn with this costume too, and stays where it belongs.</p>
		<Field
			name="componentId"
			label="Component"
			options={free.map((l) => ({
				value: l.id,
				label: `${l.costume}${l.isAway ? ' (at rest)' : ''}: ${l.code} ${l.name}`
			}))}
			none="choose"
			wide
		/>
		<Submit>Borrow it</Submit>
	</Form>
</Dialog>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
		gap: 4px 14px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
	.days span {
		display: block;
	}
	.missing {
		color: var(--red-ink);
		font-weight: 600;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
