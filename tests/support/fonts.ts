/** The letters that prints are set in, for tests of the core, which has no files. */
export { printFonts } from '../../src/lib/server/prints/fonts.ts';
