<script lang="ts">
	/** A chart of the library's, loaded where one is shown, in the colours of the page and as wide as there is room. */
	interface Props {
		/** Made anew with the page's colours and text whenever what it shows changes. */
		options: (colour: (name: string) => string, text: object) => object;
		height: number;
	}
	let { options, height }: Props = $props();
	let host: HTMLElement;

	// The library draws by itself, outside of this component's own markup.
	$effect(() => {
		const make = options;
		let gone = false;
		let end = () => {};
		(async () => {
			const [{ init, use }, { BarChart, LineChart }, parts, { SVGRenderer }] = await Promise.all([
				import('echarts/core'),
				import('echarts/charts'),
				import('echarts/components'),
				import('echarts/renderers')
			]);
			if (gone) return;
			const { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } = parts;
			use([
				BarChart,
				LineChart,
				GridComponent,
				LegendComponent,
				MarkLineComponent,
				TooltipComponent,
				SVGRenderer
			]);
			const style = getComputedStyle(host);
			const colour = (name: string) => style.getPropertyValue(name).trim();
			const text = { color: colour('--ink-soft'), fontFamily: style.fontFamily, fontSize: 13 };
			const chart = init(host, null, { renderer: 'svg' });
			chart.setOption({
				animation: false,
				tooltip: {
					trigger: 'axis',
					backgroundColor: colour('--sheet'),
					borderColor: colour('--rule'),
					textStyle: { color: colour('--ink') }
				},
				...make(colour, text)
			});
			const follow = new ResizeObserver(() => chart.resize());
			follow.observe(host);
			end = () => {
				follow.disconnect();
				chart.dispose();
			};
		})();
		return () => {
			gone = true;
			end();
		};
	});
</script>

<div class="chart" style:height="{height}px" bind:this={host} aria-hidden="true"></div>

<style>
	.chart {
		width: 100%;
	}
</style>
