<script lang="ts">
	/**
	 * Time as a line a day. Hands-on work stands on it as long as its minutes; waiting hangs below as
	 * long as its hours. Empty line above a drip is time to use.
	 */
	import { benchDays, dripRows } from '$core/engines/schedule/benchDays.ts';
	import type { Span } from '$core/engines/schedule/calendar.ts';
	import type { PlannedStep } from '$core/engines/schedule/problem.ts';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import { DAY, dayOf, dayWords, formatClock, timeWords, weekdayOf } from '$core/units/localTime.ts';

	interface Props {
		steps: readonly PlannedStep[];
		windows: readonly Span[];
		now: number;
		deadline: number;
		/** Short and long words for a step. */
		words: (id: string) => { code: string; name: string; place: string };
	}
	let { steps, windows, now, deadline, words }: Props = $props();

	let all = $state(false);
	const days = $derived(
		benchDays(steps, windows, now).filter((d) => d.work.length || d.drips.length || d.open.length)
	);
	/** The hours drawn: an hour around everything that is worked or open, so that blocks are as wide as can be. */
	const drawn = $derived(days.flatMap((d) => [...d.open, ...d.work]));
	const first = $derived(Math.max(0, Math.floor(Math.min(1200, ...drawn.map((s) => s.from)) / 60) - 1) * 60);
	const last = $derived(
		Math.min(24, Math.ceil(Math.max(first + 60, ...drawn.map((s) => s.to)) / 60) + 1) * 60
	);
	const within = (minute: number) => Math.min(last, Math.max(first, minute));
	const x = (minute: number) => `${(((within(minute) - first) / (last - first)) * 100).toFixed(3)}%`;
	const w = (from: number, to: number) =>
		`${(((within(to) - within(from)) / (last - first)) * 100).toFixed(3)}%`;
	const hours = $derived([0, 4, 8, 12, 16, 20, 24].filter((h) => h * 60 > first && h * 60 < last));
	const shown = $derived(all ? days : days.slice(0, 21));
	const byId = $derived(new Map(steps.map((s) => [s.id, s])));
	const tip = (id: string) => {
		const s = byId.get(id)!;
		const { code, name } = words(id);
		return `${code} ${name}\n${timeWords(s.start)} to ${timeWords(s.end)}${s.ready > s.end ? `, then waits ${formatWait(s.ready - s.end)}` : ''}`;
	};
</script>

<div class="bench-line">
	<div class="axis" aria-hidden="true">
		<span></span>
		<div class="hours">
			{#each hours as hour (hour)}<i style:left={x(hour * 60)}>{formatClock(hour * 60)}</i>{/each}
		</div>
		<span class="small soft">hands-on</span>
	</div>
	<ol>
		{#each shown as { day, open, work, drips, handsOnMinutes } (day)}
			{@const rows = dripRows(drips)}
			<li class:weekend={weekdayOf(day) > 5} class:after={day * DAY >= deadline}>
				<span class="date">{dayWords(day)}</span>
				<div class="line" style:--rows={Math.max(0, ...rows.map((r) => r + 1))}>
					{#each hours as hour (hour)}<i class="grid" style:left={x(hour * 60)}></i>{/each}
					{#each open as span, i (i)}<i
							class="open"
							style:left={x(span.from)}
							style:width={w(span.from, span.to)}
						></i>{/each}
					{#each work as part, i (i)}
						{@const step = byId.get(part.id)!}
						<span
							class="work"
							class:critical={step.critical}
							style:left={x(part.from)}
							style:width={w(part.from, part.to)}
							title={tip(part.id)}
							><b>{words(part.id).code}</b>
							{words(part.id).name}</span
						>
					{/each}
					<i class="base"></i>
					{#each drips as part, i (i)}
						{#if part.to > first && part.from < last}
							<span
								class="drip"
								class:continues={part.continues}
								style:left={x(part.from)}
								style:width={w(part.from, part.to)}
								style:--row={rows[i]}
								title={tip(part.id)}
							></span>
						{/if}
					{/each}
					{#if dayOf(now) === day}<i class="now" style:left={x(now - day * DAY)}></i>{/if}
				</div>
				{#if work.length}
					<p class="names small soft">
						{[...new Set(work.map((p) => `${words(p.id).code} ${words(p.id).name}`))].join(' · ')}
					</p>
				{/if}
				<span class="sum figure">{handsOnMinutes ? formatDuration(handsOnMinutes) : ''}</span>
			</li>
		{/each}
	</ol>
	{#if days.length > shown.length}
		<button class="button small" onclick={() => (all = true)}
			>Show the other {days.length - shown.length} days</button
		>
	{/if}
	<p class="legend small soft">
		<span><i class="work key"></i> hands-on</span><span
			><i class="work critical key"></i> hands-on, decides the finish</span
		><span><i class="drip key"></i> waiting</span><span><i class="open key"></i> working window</span>
	</p>
</div>

<style>
	.bench-line {
		overflow-x: auto;
	}
	ol {
		list-style: none;
		padding: 0;
		margin: 0;
	}
	li,
	.axis {
		display: grid;
		grid-template-columns: 92px minmax(0, 1fr) 64px;
		gap: 8px;
		align-items: start;
	}
	li {
		border-top: 1px dotted var(--rule);
		padding: 4px 0 2px;
	}
	li.after {
		background: var(--red-wash);
	}
	.date {
		font-size: var(--s13);
		padding-top: 6px;
		white-space: nowrap;
	}
	.names {
		grid-column: 2;
		grid-row: 2;
	}
	.weekend .date {
		font-weight: 600;
	}
	.sum {
		text-align: right;
		font-size: var(--s13);
		padding-top: 6px;
	}
	.hours {
		position: relative;
		height: 18px;
	}
	.hours i {
		position: absolute;
		translate: -50% 0;
		font: 400 12px var(--mono);
		color: var(--ink-soft);
	}
	.line {
		position: relative;
		height: calc(30px + var(--rows) * 7px + 4px);
	}
	.base {
		position: absolute;
		left: 0;
		right: 0;
		top: 28px;
		height: 2px;
		background: var(--ink);
	}
	.grid {
		position: absolute;
		top: 0;
		height: 30px;
		width: 1px;
		background: var(--rule);
	}
	.open {
		position: absolute;
		top: 24px;
		height: 4px;
		background: var(--brass);
		opacity: 0.65;
	}
	.work {
		position: absolute;
		top: 4px;
		height: 24px;
		background: #cfe3d3;
		border: 1px solid #2a5a45;
		color: #10241f;
		overflow: hidden;
		white-space: nowrap;
		font-size: 12px;
		line-height: 22px;
		padding: 0 3px;
		min-width: 3px;
		z-index: 1;
	}
	.work b {
		font-family: var(--mono);
	}
	.work.critical {
		background: #f3a0ba;
		border-color: #8a1a48;
	}
	.drip {
		position: absolute;
		top: calc(31px + var(--row) * 7px);
		height: 5px;
		min-width: 5px;
		background: #d9a911;
		border-radius: 0 0 6px 0;
	}
	.drip::before {
		content: '';
		position: absolute;
		left: 0;
		top: -3px;
		width: 5px;
		height: 8px;
		background: inherit;
		border-radius: 0 0 4px 4px;
	}
	.drip.continues {
		mask-image: linear-gradient(90deg, #000 85%, transparent);
	}
	.now {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 2px;
		background: var(--pink-ink);
		z-index: 2;
	}
	.legend {
		display: flex;
		gap: 16px;
		flex-wrap: wrap;
		margin-top: 8px;
	}
	.legend span {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.key {
		/* What hangs on it stays with it. */
		position: relative;
		top: 0;
		display: inline-block;
		width: 22px;
	}
	.work.key {
		height: 12px;
	}
	.drip.key {
		height: 5px;
	}
	@media (max-width: 700px) {
		li,
		.axis {
			grid-template-columns: 1fr auto;
			gap: 0 8px;
		}
		.date {
			grid-row: 1;
		}
		.sum {
			grid-row: 1;
			grid-column: 2;
		}
		.line,
		.hours,
		.names {
			grid-column: 1 / -1;
		}
		.names {
			grid-row: 3;
		}
		.axis span {
			display: none;
		}
		.hours i:first-child {
			translate: 0 0;
		}
	}
</style>
