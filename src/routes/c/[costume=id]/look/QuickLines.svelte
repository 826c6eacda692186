<script lang="ts">
	/** Components in the maker's own words: a line each, read as it is typed, and kept all at once. */
	import X from '@lucide/svelte/icons/x';
	import pluralize from 'pluralize';
	import { tick, untrack } from 'svelte';
	import { asComponents, completed, linesOf, MOST_LINES, readLines } from '$core/answers/quickLine.ts';
	import type { Component } from '$core/facts/component.ts';
	import { STARTING_SETS } from '$core/trade/startingSet.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Tag from '$lib/ui/Tag.svelte';

	interface Props {
		components: readonly Component[];
		/** What is typed, as the components that it will be. */
		coming: Component[];
	}
	let { components, coming = $bindable() }: Props = $props();
	const trade = handbook();
	const uid = $props.id();
	let text = $state('');
	/** Where the maker is in it. */
	let caret = $state(0);
	let area = $state<HTMLTextAreaElement>();
	/** The word that was not wanted. */
	let refused = $state('');
	const lines = $derived(linesOf(text));
	const read = $derived(readLines(text, components, trade));
	const tags = $derived(asComponents(read, components));
	const atEnd = $derived(caret === text.length || text[caret] === '\n');
	const line = $derived(text.slice(text.lastIndexOf('\n', caret - 1) + 1, caret));
	const word = $derived(atEnd ? completed(line, trade) : null);
	const offered = $derived(word && word !== refused ? word : null);
	// The figure beside it shows what is coming.
	$effect(() => {
		const its = tags;
		untrack(() => (coming = its));
	});

	/** As if it had been typed: the draft on this device has it too. */
	async function write(whole: string, at = whole.length) {
		text = whole;
		await tick();
		area?.setSelectionRange(at, at);
		caret = at;
		area?.dispatchEvent(new Event('input', { bubbles: true }));
	}
	function complete() {
		if (!offered) return;
		const begun = /[\p{L}-]*$/u.exec(line)![0].length;
		const at = caret - begun + offered.length;
		void write(text.slice(0, caret - begun) + offered + text.slice(caret), at);
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Tab' && !event.shiftKey && offered) {
			event.preventDefault();
			complete();
		} else if (event.key === 'Escape' && offered) {
			event.preventDefault();
			event.stopPropagation();
			refused = offered;
		} else if (event.key === 'Enter' && !event.shiftKey) {
			if (!(event.ctrlKey || event.metaKey || (line.trim() === '' && lines.length))) return;
			event.preventDefault();
			area?.form?.requestSubmit();
		}
	}
	const strike = (i: number) => {
		const kept = lines.filter((_, k) => k !== i).join('\n');
		void write(kept ? `${kept}\n` : '');
		area?.focus();
	};
	const begin = (set: (typeof STARTING_SETS)[number]) => {
		void write([...lines, ...set.lines].join('\n') + '\n');
		area?.focus();
	};
	const moved = () => (caret = area?.selectionStart ?? 0);
</script>

<Form
	command="addLines"
	label="In your own words"
	onDone={() => {
		text = '';
		area?.focus();
	}}
>
	<label for="{uid}-lines">In your own words, a line for each</label>
	<textarea
		bind:this={area}
		bind:value={text}
		id="{uid}-lines"
		name="lines"
		rows={Math.min(14, Math.max(components.length ? 1 : 4, text.split('\n').length))}
		placeholder="2 pauldrons, foam 5 mm, over the coat"
		aria-describedby="{uid}-how"
		autocomplete="off"
		autocapitalize="off"
		spellcheck="false"
		{onkeydown}
		oninput={moved}
		onkeyup={moved}
		onclick={moved}></textarea>
	<FormError name="lines" />
	<p class="small soft how" id="{uid}-how">
		{#if offered}<button type="button" class="offer" onclick={complete}>{offered} <kbd>Tab</kbd></button
			>{:else if lines.length}Enter for the next line; on an empty one it keeps them all.{:else}How many,
			what, of what, which side, over what, to buy or to alter. Paste a list if you have one.{/if}
	</p>
	{#if lines.length > MOST_LINES}<p class="small">
			Of {lines.length} lines the first {MOST_LINES} are read.
		</p>{/if}
	{#if components.length === 0}
		<p class="row sets">
			<span class="small soft">Or begin with</span>
			{#each STARTING_SETS as set (set.name)}<button
					type="button"
					class="button small"
					onclick={() => begin(set)}>{set.name}</button
				>{/each}
		</p>
	{/if}
	{#if read.length}
		<ul class="plain read">
			{#each read as its, i (i)}
				<li>
					<Tag component={tags[i]!} />
					<span class="words small">
						{#each its.understood as u (`${u.words} ${u.as}`)}<span
								>{u.words === u.as ? '' : `${u.words} → `}<b>{u.as}</b></span
							>{/each}
						{#each its.guessed as g (g)}<span class="guess" title="guessed: no word said so">{g}?</span
							>{/each}
						{#if its.form}<i>{its.form}</i>{/if}
					</span>
					<button
						type="button"
						class="button quiet small"
						aria-label="Strike out {its.name}"
						onclick={() => strike(i)}><X size={14} /></button
					>
				</li>
			{/each}
		</ul>
		<p class="row end">
			<button type="button" class="button" onclick={() => write('')}>Clear</button>
			<button class="button main">Keep {pluralize('component', read.length, true)}</button>
		</p>
	{/if}
</Form>

<style>
	label {
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	textarea {
		width: 100%;
		min-height: 0;
		font-family: var(--mono);
		resize: vertical;
	}
	.how {
		min-height: 28px;
		display: flex;
		align-items: center;
	}
	.offer {
		border: 1px dashed var(--ink-soft);
		background: none;
		color: var(--ink);
		cursor: pointer;
		min-height: 26px;
		padding: 0 8px;
	}
	kbd {
		font-family: var(--mono);
		border: 1px solid var(--rule);
		padding: 0 4px;
		margin-left: 4px;
	}
	.sets {
		flex-wrap: wrap;
		margin-bottom: 8px;
	}
	.read li {
		display: grid;
		grid-template-columns: minmax(150px, auto) minmax(0, 1fr) auto;
		gap: 4px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 4px 0;
	}
	.words {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
	}
	.guess {
		border-bottom: 1px dashed var(--ink-soft);
		color: var(--ink-soft);
	}
	@media (max-width: 700px) {
		.read li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.words {
			grid-column: 1 / -1;
			grid-row: 2;
		}
	}
	@media print {
		textarea,
		label,
		.how,
		.sets {
			display: none;
		}
	}
</style>
