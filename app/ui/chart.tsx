import { useEffect, useRef } from "react";
import type { EChartsCoreOption } from "echarts/core";

/** A chart, drawn when its library has arrived. Colours follow the page's look. */
export function Chart({
  option,
  label,
  className,
}: {
  option: (colour: (name: string) => string) => EChartsCoreOption;
  label: string;
  className?: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const place = box.current;
    if (!place) return;
    let over = false;
    let end: (() => void) | undefined;
    void import("./chart-library").then(({ start }) => {
      if (over) return;
      const chart = start(place);
      const draw = () =>
        chart.setOption(
          option((name) => getComputedStyle(place).getPropertyValue(name).trim()),
          { notMerge: true },
        );
      draw();
      const sized = new ResizeObserver(() => chart.resize());
      sized.observe(place);
      const looks = new MutationObserver(draw);
      looks.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
      end = () => {
        sized.disconnect();
        looks.disconnect();
        chart.dispose();
      };
    });
    return () => {
      over = true;
      end?.();
    };
  }, [option]);
  return <div ref={box} role="img" aria-label={label} className={className} />;
}
