<script lang="ts">
	/** One thing of the kit: for what, what it weighs, what it saves; why it stays. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import ShoppingBasket from '@lucide/svelte/icons/shopping-basket';
	import type { KitChoice, KitLine } from '$core/answers/kitChoice.ts';
	import { kitLineFigure } from '$core/explain/health.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Working from '$lib/ui/Working.svelte';

	let { line, choice, onedit }: { line: KitLine; choice: KitChoice; onedit: () => void } = $props();
	const WHY: Record<NonNullable<KitLine['stays']>, string> = {
		forbidden: 'forbidden at this event',
		never: 'never goes along',
		tooMuch: 'not worth its weight within the limit',
		noUse: 'mends nothing that the rest does not'
	};
</script>

<li>
	<span class="what">
		<b>{line.name}</b>
		<span class="small soft">{line.use === 'own' ? line.because : `for ${line.because}`}</span>
		{#if line.stays}<span class="small" class:wrong={line.stays === 'forbidden'}>{WHY[line.stays]}</span>{/if}
	</span>
	<span class="mono small">{formatNumber(line.grams, 0)} g<br />{formatNumber(line.ml, 0)} ml</span>
	<span class="mono"
		>{#if line.saves > 0}<Working
				figure={kitLineFigure(line, choice)}
				text="{formatNumber(line.saves, line.saves < 1 ? 2 : 1)} min"
			/>{/if}</span
	>
	<span class="acts no-print">
		{#if line.taken}<Act
				command="useKitItem"
				hidden={{ key: line.key }}
				look="quiet"
				label="{line.name} was used"
				title="It goes on the list under Buy"><ShoppingBasket size={14} /> Used</Act
			>{/if}
		<button class="button quiet small" aria-label="Change {line.name}" onclick={onedit}
			><Pencil size={14} /></button
		>
	</span>
</li>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 64px 78px 120px;
		gap: 4px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 4px 0;
		break-inside: avoid;
	}
	.what {
		display: flex;
		flex-wrap: wrap;
		gap: 0 8px;
		align-items: baseline;
	}
	.wrong {
		color: var(--red-ink);
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	.acts {
		display: flex;
		gap: 4px;
		justify-content: flex-end;
		align-items: center;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) 56px 74px;
		}
		.acts {
			grid-column: 1 / -1;
		}
	}
</style>
