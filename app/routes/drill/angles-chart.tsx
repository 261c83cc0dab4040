import { useCallback } from "react";
import { Chart } from "~/app/ui/chart";
import type { Course } from "~/core/figure/course";

const COLOURS = ["--depth-6", "--plum", "--kelp", "--depth-4", "--ink-faint", "--depth-5"];
const DASHES = ["solid", "dashed", "dotted"] as const;

/** Each working joint's angle over one repetition. Lines differ by dash as well as by colour. */
export function AnglesChart({ courses }: { courses: readonly Course[] }) {
  const option = useCallback(
    (colour: (name: string) => string) => ({
      animation: false,
      textStyle: { fontFamily: "Archivo Variable, sans-serif", color: colour("--ink-soft") },
      grid: { left: 46, right: 16, top: 40, bottom: 34 },
      legend: { top: 0, type: "scroll", textStyle: { color: colour("--ink") }, itemWidth: 26 },
      tooltip: {
        trigger: "axis",
        valueFormatter: (value: unknown) => (typeof value === "number" ? `${Math.round(value)}°` : "–"),
        backgroundColor: colour("--land"),
        borderColor: colour("--line"),
        textStyle: { color: colour("--ink") },
      },
      xAxis: {
        type: "category",
        data: courses[0]?.angles.map((_, i, all) => `${Math.round((100 * i) / (all.length - 1))} %`) ?? [],
        boundaryGap: false,
        axisLabel: { interval: 11, color: colour("--ink-soft") },
        axisLine: { lineStyle: { color: colour("--ink-faint") } },
      },
      yAxis: {
        type: "value",
        axisLabel: { formatter: "{value}°", color: colour("--ink-soft") },
        splitLine: { lineStyle: { color: colour("--line") } },
      },
      series: courses.map((course, i) => ({
        name: course.words,
        type: "line",
        data: course.angles,
        showSymbol: false,
        connectNulls: false,
        smooth: true,
        lineStyle: { width: 2.5, type: DASHES[i % 3], color: colour(COLOURS[i % COLOURS.length]!) },
        itemStyle: { color: colour(COLOURS[i % COLOURS.length]!) },
      })),
    }),
    [courses],
  );
  if (courses.length === 0)
    return (
      <p className="text-ink-soft">
        This drill holds still, or works through breath and tension: no joint moves enough to draw.
      </p>
    );
  return (
    <>
      <Chart
        option={option}
        label={`Angles through a repetition: ${courses.map((c) => c.words).join(", ")}`}
        className="h-72 w-full"
      />
      <table className="sr-only">
        <caption>Least and greatest angle of each joint in a repetition</caption>
        <tbody>
          {courses.map((course) => (
            <tr key={course.words}>
              <th scope="row">{course.words}</th>
              <td>
                {Math.round(Math.min(...course.angles.filter((a) => a !== null)))}° to{" "}
                {Math.round(Math.max(...course.angles.filter((a) => a !== null)))}°
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
