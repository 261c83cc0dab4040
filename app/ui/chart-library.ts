import { LineChart } from "echarts/charts";
import { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from "echarts/components";
import { init, use as register } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";

register([LineChart, GridComponent, LegendComponent, TooltipComponent, MarkLineComponent, SVGRenderer]);

export const start = (place: HTMLElement) => init(place, null, { renderer: "svg" });
