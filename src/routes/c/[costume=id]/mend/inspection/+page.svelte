<script lang="ts">
	/** What to look at before it is worn again: where it is likeliest to let go first. */
	import Check from '@lucide/svelte/icons/check';
	import Printer from '@lucide/svelte/icons/printer';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { byComponent, toLook, type LookAt } from '$core/answers/inspection.ts';
	import { chanceFigure, lookFigure } from '$core/explain/health.ts';
	import { zoneWords } from '$core/facts/zone.ts';
	import { holdRateOf } from '$core/trade/holdRate.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const trade = handbook();
	const groups = $derived(byComponent(data.looks));
	const { left, failed, minutes } = $derived(toLook(data.looks));
	let failing = $state<string | null>(null);
	const isFailing = $derived(failing !== null);
	const its = $derived(data.looks.find((l) => l.line === failing));
	const nameOf = (look: LookAt) => holdRateOf(look.kind, trade).name;
	const whereOf = ({ join, component }: LookAt) =>
		join?.zone ? zoneWords(join.zone) : component.zones.map(zoneWords).join(', ');
	const titleOf = (look: LookAt) => `${look.component.code} ${nameOf(look)}`;
</script>

<svelte:head><title>Inspection · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Before it is worn again">
	{#snippet tools()}<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button
		>{/snippet}
	{#if data.looks.length}
		<p class="answer" class:bad={failed.length > 0}>
			{#if failed.length}{failed.length} to mend{left.length ? `, ${left.length} to look at` : ''}.
			{:else if left.length}{left.length} to look at, <Working
					figure={lookFigure(left, titleOf)}
					text={formatDuration(minutes)}
				/>
			{:else}All looked at, nothing to mend.{/if}
		</p>
		<p class="small soft">
			Likeliest to let go first: by its kind, what let go before, and how much of what it bears it takes. What
			was looked at before the last wear is looked at again.
		</p>
		{#each groups as { component, looks } (component.id)}
			<section>
				<h3><Tag {component} href="{base}/look/{component.id}" /></h3>
				<ul class="plain">
					{#each looks as look (look.line)}
						<li class:done={look.looked?.works} class:broken={look.looked?.works === false}>
							<span class="what">
								<b>{nameOf(look)}</b>
								<span class="small soft">{whereOf(look)}</span>
								<span class="small how">{holdRateOf(look.kind, trade).look}</span>
								{#if look.faults}<span class="small wrong">let go before, {look.faults} ×</span>{/if}
							</span>
							<span class="mono"
								><Working
									figure={chanceFigure(look, `${titleOf(look)} lets go at the next wear`)}
									text={look.chance < 0.005 ? 'under 1 %' : `${formatNumber(100 * look.chance, 0)} %`}
								/></span
							>
							<span class="acts no-print">
								{#if look.looked?.works === false}<a href="{base}/mend">to mend</a>
								{:else}
									<Act
										command="lookAt"
										hidden={{ line: look.line, works: 'on', note: '' }}
										look={look.looked ? 'quiet' : 'main'}
										small={false}
										label="{titleOf(look)} is good"
										title={look.looked ? timeWords(look.looked.lookedAt) : ''}
										><Check size={16} />{look.looked ? '' : ' Good'}</Act
									>
									<button
										class="button"
										aria-label="{titleOf(look)} fails"
										onclick={() => (failing = look.line)}><TriangleAlert size={16} /> Fails</button
									>
								{/if}
							</span>
							<span class="box" aria-hidden="true"></span>
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	{:else}
		<p>
			Nothing is known that could let go: say <a href="{base}/wear">what holds it</a>, or finish steps that
			glue, sew or paint.
		</p>
	{/if}
</Sheet>

<Dialog
	bind:open={() => isFailing, (open) => (failing = open ? failing : null)}
	title={its ? `${titleOf(its)} fails` : ''}
>
	{#if its}
		<Form
			command="lookAt"
			upload
			hidden={{ line: its.line, works: 'false' }}
			label="What fails"
			onDone={() => (failing = null)}
		>
			<p class="small soft">It becomes a fault with its usual cure as steps.</p>
			<Field name="note" label="What is wrong" value="" wide />
			<Field name="photo" label="Photo" type="file" accept="image/jpeg,image/png,image/webp" capture wide />
			<Submit>Note it</Submit>
		</Form>
	{/if}
</Dialog>

<style>
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
		color: var(--good-ink);
	}
	.answer :global(button) {
		font: inherit;
	}
	.answer.bad {
		color: var(--red-ink);
	}
	section {
		margin-top: 14px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 92px auto;
		gap: 6px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
		break-inside: avoid;
	}
	.what {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: baseline;
	}
	.how {
		flex-basis: 100%;
	}
	.done b,
	.done .how {
		color: var(--ink-soft);
		font-weight: 400;
	}
	.broken b,
	.wrong {
		color: var(--red-ink);
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	.acts {
		display: flex;
		gap: 8px;
		align-items: center;
		justify-content: flex-end;
		min-width: 190px;
	}
	.box {
		display: none;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) 84px;
		}
		.acts {
			grid-column: 1 / -1;
			justify-content: flex-start;
		}
	}
	@media print {
		.box {
			display: block;
			width: 16px;
			height: 16px;
			border: 1.5px solid var(--ink);
			justify-self: end;
		}
	}
</style>
