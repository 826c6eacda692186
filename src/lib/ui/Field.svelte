<script lang="ts">
	/** A labelled input with its error beneath. */
	import { useForm } from './formState.ts';

	interface Option {
		value: string | number;
		label: string;
	}
	interface Props {
		name: string;
		label: string;
		value?: string | number | null;
		/** Makes it a choice. */
		options?: readonly (string | Option)[];
		/** First, empty option of a choice. */
		none?: string;
		type?: 'text' | 'date' | 'datetime-local' | 'time' | 'file' | 'area';
		hint?: string;
		hideLabel?: boolean;
		required?: boolean;
		suffix?: string;
		inputmode?: 'text' | 'decimal' | 'numeric';
		list?: readonly string[];
		accept?: string;
		capture?: boolean;
		wide?: boolean;
		onchange?: (value: string) => void;
		onkeydown?: (event: KeyboardEvent) => void;
	}
	let {
		name,
		label,
		value = $bindable(''),
		options,
		none,
		type = 'text',
		hint,
		hideLabel = false,
		required = false,
		suffix,
		inputmode,
		list,
		accept,
		capture = false,
		wide = false,
		onchange,
		onkeydown
	}: Props = $props();

	const form = useForm();
	// svelte-ignore state_referenced_locally
	const typed = form.typed[name];
	if (typeof typed === 'string') value = typed;
	const uid = $props.id();
	const id = $derived(`${uid}-${name.replace(/\W/g, '')}`);
	const error = $derived(form.errors[name.replace('[]', '')]);
	const described = $derived(
		[error ? `${id}-error` : '', hint ? `${id}-hint` : ''].filter(Boolean).join(' ') || undefined
	);
	const shared = $derived({
		id,
		name,
		required,
		'aria-invalid': error ? ('true' as const) : undefined,
		'aria-describedby': described
	});
	const changed = (event: Event) => onchange?.((event.currentTarget as HTMLInputElement).value);
</script>

<div class="field" class:wide class:long={type === 'datetime-local'}>
	<label for={id} class:visually-hidden={hideLabel}>{label}</label>
	<div class="input">
		{#if options}
			<select
				{...shared}
				bind:value={() => (value === null ? '' : String(value)), (text) => (value = text)}
				onchange={changed}
			>
				{#if none !== undefined}<option value="">{none}</option>{/if}
				<!-- As text: a number chosen beforehand and the text of a choice are the same one. -->
				{#each options as option (typeof option === 'string' ? option : option.value)}
					{#if typeof option === 'string'}<option value={option}>{option}</option>
					{:else}<option value={String(option.value)}>{option.label}</option>{/if}
				{/each}
			</select>
		{:else if type === 'area'}
			<textarea {...shared} bind:value></textarea>
		{:else if type === 'file'}
			<input {...shared} type="file" {accept} capture={capture ? 'environment' : undefined} />
		{:else}
			<input
				{...shared}
				{type}
				{inputmode}
				list={list ? `${id}-list` : undefined}
				bind:value
				autocomplete="off"
				onchange={changed}
				{onkeydown}
			/>
		{/if}
		{#if suffix}<span class="suffix small soft">{suffix}</span>{/if}
	</div>
	{#if list}
		<datalist id="{id}-list">
			{#each list as item (item)}<option value={item}></option>{/each}
		</datalist>
	{/if}
	{#if error}<p class="error" id="{id}-error">{error}</p>{/if}
	{#if hint}<p class="hint" id="{id}-hint">{hint}</p>{/if}
</div>

<style>
	.field {
		display: grid;
		gap: 2px;
		align-content: start;
		min-width: 0;
	}
	.wide {
		grid-column: 1 / -1;
	}
	/* A date with its time needs the whole of a phone’s width. */
	@media (max-width: 700px) {
		.long {
			grid-column: 1 / -1;
		}
	}
	label {
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	.input {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	.suffix {
		white-space: nowrap;
	}
	.error {
		color: var(--red-ink);
		font-size: var(--s13);
		font-weight: 600;
		white-space: normal;
	}
	.hint {
		color: var(--ink-soft);
		font-size: var(--s13);
		white-space: normal;
	}
</style>
