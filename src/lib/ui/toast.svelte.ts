/** The one message about what was just done, shown for a while. */
interface Toast {
	words: string;
	bad: boolean;
	undoable: boolean;
}

const SHOWN_MS = 7000;
let timer: ReturnType<typeof setTimeout>;

export const toast = $state<{ now: Toast | null }>({ now: null });

export function announce(words: string, { bad = false, undoable = true } = {}): void {
	clearTimeout(timer);
	toast.now = { words, bad, undoable };
	timer = setTimeout(() => (toast.now = null), SHOWN_MS);
}
