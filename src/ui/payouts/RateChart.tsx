"use client";

import { Box } from "@chakra-ui/react";
import { LineChart } from "echarts/charts";
import {
  AriaComponent,
  GridComponent,
  LegendComponent,
  TooltipComponent,
} from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useTheme } from "next-themes";
import { type ReactNode, useEffect, useRef } from "react";

import type { FeeMonth } from "@/contracts/payouts";

import { methodWords, percentWords } from "./fees";

echarts.use([
  LineChart,
  GridComponent,
  LegendComponent,
  TooltipComponent,
  AriaComponent,
  SVGRenderer,
]);

function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--d-colors-${name}`).trim();
}

/** The effective rate of each method by month; its table stands below. */
export function RateChart({ months }: { months: readonly FeeMonth[] }): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const { resolvedTheme } = useTheme();
  useEffect(() => {
    if (!place.current) return;
    const chart = echarts.init(place.current, null, { renderer: "svg" });
    const names = [...new Set(months.map(({ month }) => month))].sort();
    const methods = [...new Set(months.map(({ method }) => method))];
    // Lines are told apart by their stroke and their name, not by colour.
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: getComputedStyle(place.current).fontFamily },
      grid: {
        top: 12,
        right: 84,
        bottom: 4,
        left: 8,
        outerBoundsMode: "same",
        outerBoundsContain: "axisLabel",
      },
      tooltip: {
        trigger: "axis",
        valueFormatter: (value: unknown) => (typeof value === "number" ? percentWords(value) : "–"),
        backgroundColor: colour("sheet"),
        borderColor: colour("line"),
        textStyle: { color: colour("ink") },
      },
      xAxis: {
        type: "category",
        data: names,
        axisLabel: { color: colour("soft") },
        axisLine: { lineStyle: { color: colour("line") } },
        axisTick: { show: false },
      },
      yAxis: {
        type: "value",
        axisLabel: { color: colour("soft"), formatter: percentWords },
        splitLine: { lineStyle: { color: colour("rule") } },
      },
      series: methods.map((method, at) => ({
        name: methodWords(method),
        type: "line",
        symbolSize: 5,
        lineStyle: { color: colour("ink"), width: 2, type: at === 0 ? "solid" : "dashed" },
        itemStyle: { color: colour("ink") },
        endLabel: { show: true, formatter: "{a}", color: colour("ink") },
        data: names.map(
          (name) =>
            months.find((month) => month.month === name && month.method === method)?.perMillion ??
            null,
        ),
      })),
    });
    const resize = (): void => chart.resize();
    window.addEventListener("resize", resize);
    return () => {
      window.removeEventListener("resize", resize);
      chart.dispose();
    };
  }, [months, resolvedTheme]);
  return <Box height="150px" ref={place} role="img" aria-label="Effective rate of fees by month" />;
}
