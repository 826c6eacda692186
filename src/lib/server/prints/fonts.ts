import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { resolve } from 'node:path';
import type { FontFiles } from '$core/formats/lettering.ts';

// Threads are built into one file elsewhere: what is installed is looked for from the program's own folder.
const { resolve: installed } = createRequire(resolve('package.json'));
const read = (file: string) => readFileSync(installed(`@expo-google-fonts/open-sans/${file}`));
let files: FontFiles | null = null;

/** Open Sans, under the Open Font License: it has the Latin letters of all languages, the Greek and the Cyrillic. Read once. */
export const printFonts = (): FontFiles =>
	(files ??= {
		plain: read('400Regular/OpenSans_400Regular.ttf'),
		bold: read('700Bold/OpenSans_700Bold.ttf')
	});
