import { toast } from 'svelte-sonner';
import Message from './Message.svelte';

/** The message about what was just done, shown for a while; there is one at a time, because Undo undoes the last. */
export function announce(words: string, { bad = false, undoable = true } = {}): void {
	toast.custom(Message, { id: 'done', duration: 7000, componentProps: { words, bad, undoable } });
}
