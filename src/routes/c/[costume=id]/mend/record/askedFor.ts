import { STORY_FORMS, type StoryForm } from '$core/formats/storyTypes.ts';

/** What the address asks for: which form, and of which component alone. */
export function askedFor(asked: URLSearchParams): { form: StoryForm; of: number | null } {
	const form = STORY_FORMS.find((f) => f === asked.get('form')) ?? 'full';
	const of = Number(asked.get('of'));
	return { form, of: Number.isInteger(of) && of > 0 ? of : null };
}
