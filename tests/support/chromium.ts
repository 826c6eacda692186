/** Debian’s Chromium without a window, started so that it stays on this machine. Root needs the sandbox off. */
export const CHROMIUM = {
	executablePath: '/usr/bin/chromium-headless-shell',
	args: [
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
		...(process.getuid?.() === 0 ? ['--no-sandbox'] : [])
	]
};
