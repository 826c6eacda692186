import { getContext, setContext } from 'svelte';
import type { FormDone, FormFailure } from '$lib/answer.ts';

/** What a field needs of the form around it. */
export interface FormState {
	readonly errors: Record<string, string>;
	/** What was typed in a form that was posted without scripts and refused. */
	readonly typed: Record<string, unknown>;
	/** Distinguishes fields of the same name in different forms of a page. */
	readonly key: string;
}

const KEY = Symbol('form');

export const provideForm = (state: FormState): FormState => setContext(KEY, state);
export const useForm = (): FormState => getContext<FormState>(KEY) ?? { errors: {}, typed: {}, key: 'none' };

/** Set when the page's scripts have taken over: from then on forms keep their own text. */
export const scripts = { running: false };

/** What the last form answered, whatever page it was on. */
export type Answer = FormFailure | FormDone | null | undefined;
export const isFailure = (answer: Answer): answer is FormFailure => !!answer && 'errors' in answer;
export const isDone = (answer: Answer): answer is FormDone => !!answer && 'done' in answer;
