import type { ReadyStep } from '$core/answers/today.ts';
import { roughWait } from '$lib/ui/words.ts';

/** How long a step can still wait without anything coming too late. */
export const slackWords = (r: ReadyStep): string =>
	r.slackMinutes === null
		? ''
		: r.slackMinutes < 0
			? `${roughWait(-r.slackMinutes)} too late already`
			: `can wait ${roughWait(r.slackMinutes)}`;
