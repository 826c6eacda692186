<script lang="ts">
	/** The whole story of a costume: to keep, or shorter to show to others. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import { STORY_FORMS, type StoryForm } from '$core/formats/storyTypes.ts';
	import BodyFigure from '$lib/ui/BodyFigure.svelte';
	import AssembledOutlines from '$lib/ui/stand/AssembledOutlines.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { StoryFile } from '$lib/ui/storyFile.svelte.ts';
	import type { PageData } from './$types';
	import StoryPartView from './StoryPartView.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const { story } = $derived(data);
	const FORM_WORDS: Record<StoryForm, string> = { full: 'To keep', short: 'To show' };
	const asked = (form: StoryForm) => `?form=${form}${data.of === null ? '' : `&of=${data.of}`}`;
	const file = new StoryFile();
	const shown = $derived(data.record.components.filter((c) => data.of === null || c.id === data.of));
</script>

<svelte:head><title>Record · {story.title} · Dapper Ledger</title></svelte:head>

<Sheet>
	<div class="top">
		<div>
			<h2>{story.title}</h2>
			<p class="soft">{story.said}</p>
			{#if data.of !== null}<p class="no-print"><a href="{base}/mend/record">All of the costume</a></p>{/if}
		</div>
		<div class="row no-print">
			<div class="forms" role="group" aria-label="Form">
				{#each STORY_FORMS as form (form)}
					<a class="button small" aria-current={form === data.form} href={asked(form)}>{FORM_WORDS[form]}</a>
				{/each}
			</div>
			<button
				class="button main small"
				disabled={file.busy}
				onclick={() => file.save(`${base}/mend/record/out`, asked(data.form), `record-${data.form}.pdf`)}
				><FileDown size={14} /> PDF</button
			>
			{#if file.busy}<button class="button small quiet" onclick={() => file.stop()}>Stop</button>{/if}
		</div>
	</div>
	<p class="small soft no-print" aria-live="polite">
		{#if file.busy}{file.words}{:else if file.problem}<span class="wrong">{file.problem}</span>
		{:else if data.form === 'short'}Without money, suppliers, places and people: to show to others.{/if}
	</p>
	{#if data.of === null && data.form === 'full'}<div class="body">
			<BodyFigure components={shown} />
			{#if data.shaped}<AssembledOutlines {base} />{/if}
		</div>{/if}
</Sheet>
{#each story.chapters as chapter (chapter.title)}
	<Sheet title={chapter.title}>
		{#each chapter.parts as part (part.componentId ?? part.title)}
			<StoryPartView {part} {base} />
		{/each}
	</Sheet>
{/each}

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 24px;
		justify-content: space-between;
		align-items: start;
	}
	h2 {
		font: 600 var(--s36) / 1.1 var(--head);
	}
	.row,
	.forms {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: center;
	}
	.forms [aria-current='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.body {
		--figure-ink: var(--ink-soft);
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
		gap: 16px;
		align-items: center;
		max-width: 900px;
		margin: 8px auto 0;
	}
	.wrong {
		color: var(--red-ink);
	}
</style>
