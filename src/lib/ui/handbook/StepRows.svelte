<script lang="ts">
	/** The steps of a route or of a cure: one a line, in their order. They go with the form as one field. */
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { PHASES } from '$core/facts/step.ts';
	import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
	import { BASE_PER_UNIT } from '$core/trade/technique.ts';
	import { formatWait, parseDuration } from '$core/units/duration.ts';
	import { formatNumber, parseNumber } from '$core/units/number.ts';
	import { useForm } from '../formState.ts';

	interface Line {
		product?: string;
		coats: string;
		name: string;
		technique: string;
		phase: string;
		amount: string;
		wait: string;
		more: Record<string, unknown>;
	}
	interface Props {
		trade: Catalogue;
		/** Of a route: with phases and coats. */
		route?: boolean;
		steps: readonly Record<string, unknown>[];
	}
	let { trade, route = false, steps }: Props = $props();
	const form = useForm();
	const error = $derived(form.errors.steps);
	const perUnit = (technique: string) => BASE_PER_UNIT[techniqueOf(trade, technique).driver];
	const unitOf = (technique: string) =>
		({ length: 'm', area: 'm²', count: techniqueOf(trade, technique).of })[
			techniqueOf(trade, technique).driver
		];

	const lineOf = (s: Record<string, unknown>): Line => {
		const technique = String(s.technique ?? 'other');
		return {
			...(s.product === undefined ? {} : { product: String(s.product) }),
			coats: String(s.coats ?? 1),
			name: String(s.name ?? ''),
			technique,
			phase: String(s.phase ?? 'make'),
			amount: formatNumber(Number(s.amount ?? 1) / (s.amount === undefined ? 1 : perUnit(technique)), 4),
			wait: formatWait(Number(s.waitMinutes ?? 0)),
			more: route
				? {
						perCopy: s.perCopy ?? s.phase !== 'pattern',
						oneSitting: s.oneSitting ?? false,
						needsHelper: s.needsHelper ?? false,
						needsSprayPlace: s.needsSprayPlace ?? false,
						...(s.takes === undefined ? {} : { takes: s.takes })
					}
				: { oneSitting: s.oneSitting ?? false }
		};
	};
	// svelte-ignore state_referenced_locally
	let lines = $state(steps.map(lineOf));

	/** What cannot be read goes as it is not: the row's form says so. */
	const sent = $derived(
		JSON.stringify(
			lines.map((l) => {
				if (l.product !== undefined) return { product: l.product, coats: Number(l.coats) };
				const amount = parseNumber(l.amount);
				const wait = parseDuration(l.wait);
				return {
					name: l.name,
					technique: l.technique,
					...(route ? { phase: l.phase } : {}),
					amount: amount.ok ? amount.value * perUnit(l.technique) : null,
					waitMinutes: wait.ok ? wait.value : null,
					...l.more
				};
			})
		)
	);
	const up = (i: number) => ([lines[i - 1], lines[i]] = [lines[i]!, lines[i - 1]!]);
</script>

<fieldset class="steps">
	<legend>Steps</legend>
	<input type="hidden" name="steps" value={sent} />
	{#if error}<p class="error" role="alert">{error}</p>{/if}
	<ol>
		{#each lines as line, i (line)}
			<li>
				<div class="line">
					{#if line.product !== undefined}
						<select bind:value={line.product} aria-label="Coat {i + 1}">
							{#each Object.entries(trade.coatProduct) as [key, p] (key)}<option value={key}>{p.name}</option
								>{/each}
						</select>
						<label
							>× <input class="short" bind:value={line.coats} inputmode="numeric" aria-label="Coats" /> coats</label
						>
					{:else}
						<input bind:value={line.name} aria-label="Name of step {i + 1}" placeholder="name" />
						<select bind:value={line.technique} aria-label="Technique of step {i + 1}">
							{#each Object.entries(trade.technique) as [key, t] (key)}<option value={key}>{t.name}</option
								>{/each}
						</select>
						{#if route}<select class="phase" bind:value={line.phase} aria-label="Phase of step {i + 1}">
								{#each PHASES as phase (phase)}<option>{phase}</option>{/each}
							</select>{/if}
						<label
							><input
								class="short"
								bind:value={line.amount}
								inputmode="decimal"
								aria-label="Amount of step {i + 1}"
							/>
							<span class="unit">{unitOf(line.technique)}</span></label
						>
						<label
							>waits <input
								class="short"
								bind:value={line.wait}
								aria-label="Wait after step {i + 1}"
							/></label
						>
					{/if}
					<button
						type="button"
						class="button small quiet"
						aria-label="Step {i + 1} earlier"
						disabled={i === 0}
						onclick={() => up(i)}><ArrowUp size={14} /></button
					>
					<button
						type="button"
						class="button small quiet"
						aria-label="Remove step {i + 1}"
						onclick={() => lines.splice(i, 1)}><X size={14} /></button
					>
				</div>
			</li>
		{/each}
	</ol>
	<button type="button" class="button small" onclick={() => lines.push(lineOf({}))}
		><Plus size={14} /> Step</button
	>
	{#if route}<button
			type="button"
			class="button small"
			onclick={() => lines.push(lineOf({ product: Object.keys(trade.coatProduct)[0], coats: 2 }))}
			><Plus size={14} /> Coats</button
		>{/if}
</fieldset>

<style>
	.steps {
		border: 1px solid var(--rule);
		padding: 8px 12px;
		margin: 12px 0 0;
	}
	ol {
		margin: 0 0 8px;
		padding-left: 1.5em;
	}
	li > :global(*) {
		vertical-align: middle;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 8px;
		padding: 3px 0;
	}
	.line > input,
	.line > select {
		flex: 1 1 9em;
		min-width: 0;
		width: auto;
	}
	.line > select.phase {
		flex: 0 0 6.5em;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		white-space: nowrap;
	}
	.unit {
		min-width: 4.5em;
	}
	.short {
		width: 4.5em;
	}
	.error {
		color: var(--red-ink);
	}
</style>
