import { actionsOf } from '$lib/server/commands/actions.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({
	...componentCommands,
	pasteComponents: pasteCommands.pasteComponents
});
