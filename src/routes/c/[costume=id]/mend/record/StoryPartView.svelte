<script lang="ts">
	/** Lines and pictures under one head of the record. */
	import type { StoryPart } from '$core/formats/storyTypes.ts';

	let { part, base }: { part: StoryPart; base: string } = $props();
	/** Lines of one name beneath each other say it once. */
	const groups = $derived.by(() => {
		const found: { name: string; texts: string[] }[] = [];
		for (const { name, text } of part.lines) {
			const last = found.at(-1);
			if (last && last.name === name) last.texts.push(text);
			else found.push({ name, texts: [text] });
		}
		return found;
	});
</script>

<section>
	<h3>
		{#if part.componentId === null}{part.title}{:else}<a href="{base}/look/{part.componentId}">{part.title}</a
			>{/if}
	</h3>
	<dl>
		{#each groups as { name, texts }, i (i)}
			<div>
				<dt>{name}</dt>
				<dd>
					{#each texts as text, k (k)}<p>{text}</p>{/each}
				</dd>
			</div>
		{/each}
	</dl>
	{#if part.pictures.length}
		<div class="pictures">
			{#each part.pictures as p (p.hash)}
				<figure>
					<a href="/picture/{p.hash}"
						><img
							src="/picture/{p.hash}?side=512"
							alt={p.caption || part.title}
							width={p.width}
							height={p.height}
							loading="lazy"
						/></a
					>
					{#if p.caption}<figcaption class="small">{p.caption}</figcaption>{/if}
				</figure>
			{/each}
		</div>
	{/if}
</section>

<style>
	section {
		padding: 10px 0;
		border-top: 1px solid var(--rule);
	}
	section:first-of-type {
		border-top: 0;
	}
	h3 {
		margin-bottom: 4px;
	}
	dl {
		margin: 0;
	}
	dl div {
		display: grid;
		grid-template-columns: 150px minmax(0, 1fr);
		gap: 2px 12px;
		padding: 2px 0;
		break-inside: avoid;
	}
	dt {
		color: var(--ink-soft);
	}
	dd {
		margin: 0;
		overflow-wrap: anywhere;
	}
	dd p {
		margin: 0;
	}
	.pictures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
		gap: 10px;
		margin-top: 8px;
	}
	figure {
		margin: 0;
		break-inside: avoid;
	}
	img {
		width: 100%;
		height: auto;
		display: block;
	}
	@media (max-width: 600px) {
		dl div {
			grid-template-columns: minmax(0, 1fr);
		}
		dt {
			font-weight: 600;
		}
	}
</style>
