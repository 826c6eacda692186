/** The package has types that its own map of exports does not lead to. */
declare module 'tinykeys' {
	export function createKeybindingsHandler(
		keys: Record<string, (event: KeyboardEvent) => void>
	): (event: KeyboardEvent) => void;
}
