import qrcode from 'qrcode-generator';

/**
 * The dark modules of a QR code (ISO/IEC 18004, error correction M), by a kept library.
 * @returns rows of modules without the quiet zone, which is 4 modules wide all round
 */
export function qrModules(text: string): boolean[][] {
	const code = qrcode(0, 'M');
	code.addData(text);
	code.make();
	const n = code.getModuleCount();
	return Array.from({ length: n }, (_, row) =>
		Array.from({ length: n }, (_, column) => code.isDark(row, column))
	);
}
export const QUIET_ZONE = 4;
