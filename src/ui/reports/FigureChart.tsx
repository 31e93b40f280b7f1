"use client";

import { Box } from "@chakra-ui/react";
import { BarChart, LineChart } from "echarts/charts";
import { AriaComponent, GridComponent, TooltipComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useTheme } from "next-themes";
import { type ReactNode, useEffect, useRef } from "react";

import { Legend } from "../kit/legend";

echarts.use([BarChart, LineChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer]);

function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--d-colors-${name}`).trim();
}

type Series = { name: string; values: readonly (number | null)[] };

/** The first line is full, the others are dashed; each bears its name at its end. */
const lineOf = ({ name, values }: Series, at: number): object => ({
  name,
  type: "line",
  symbolSize: 5,
  lineStyle: { color: colour("ink"), width: 2, type: at === 0 ? "solid" : "dashed" },
  itemStyle: { color: colour("ink") },
  endLabel: { show: true, formatter: "{a}", color: colour("ink") },
  data: [...values],
});

/** The first bar is full, the others stand outlined behind it. */
const barOf = ({ name, values }: Series, at: number): object => ({
  name,
  type: "bar",
  barGap: "-100%",
  barMaxWidth: 34,
  z: at === 0 ? 2 : 1,
  itemStyle:
    at === 0
      ? { color: colour("ink") }
      : {
          color: "transparent",
          borderColor: colour("line"),
          borderWidth: 1,
          borderType: "dashed",
        },
  data: [...values],
});

/** A figure by month or week; the first series is full, the second outlined or dashed. Its table stands below. */
export function FigureChart({
  label,
  names,
  series,
  kind,
  unit,
}: {
  label: string;
  names: readonly string[];
  series: readonly Series[];
  kind: "line" | "bar";
  unit: string;
}): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const { resolvedTheme } = useTheme();
  useEffect(() => {
    if (!place.current) return;
    const chart = echarts.init(place.current, null, { renderer: "svg" });
    const said = (value: unknown): string =>
      typeof value === "number"
        ? `${value.toLocaleString("en", { maximumFractionDigits: 1 })}${unit}`
        : "–";
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: getComputedStyle(place.current).fontFamily },
      grid: {
        top: 12,
        right: kind === "line" ? 92 : 8,
        bottom: 4,
        left: 8,
        outerBoundsMode: "same",
        outerBoundsContain: "axisLabel",
      },
      tooltip: {
        trigger: "axis",
        valueFormatter: said,
        backgroundColor: colour("sheet"),
        borderColor: colour("line"),
        textStyle: { color: colour("ink") },
      },
      xAxis: {
        type: "category",
        data: [...names],
        axisLabel: { color: colour("soft") },
        axisLine: { lineStyle: { color: colour("line") } },
        axisTick: { show: false },
      },
      yAxis: {
        type: "value",
        axisLabel: { color: colour("soft") },
        splitLine: { lineStyle: { color: colour("rule") } },
      },
      series: series.map((drawn, at) => (kind === "line" ? lineOf(drawn, at) : barOf(drawn, at))),
    });
    const resize = (): void => chart.resize();
    window.addEventListener("resize", resize);
    return () => {
      window.removeEventListener("resize", resize);
      chart.dispose();
    };
  }, [kind, names, resolvedTheme, series, unit]);
  return (
    <>
      {kind === "bar" ? (
        <Legend
          entries={series.map(({ name }, at) => ({
            name,
            colour: at === 0 ? "ink" : "line",
            drawn: at === 0 ? "full" : "outlined",
          }))}
        />
      ) : null}
      <Box height="150px" ref={place} role="img" aria-label={label} />
    </>
  );
}
