"use client";

import { Box, chakra } from "@chakra-ui/react";
import { BarChart } from "echarts/charts";
import { AriaComponent, GridComponent, TooltipComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useTheme } from "next-themes";
import { type ReactNode, useEffect, useRef } from "react";

import type { BandDay } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Legend, type LegendEntry } from "../kit/legend";
import { DetailTable } from "../kit/tables";

echarts.use([BarChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer]);

/** The theme's own colours, read where the chart stands. */
function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--d-colors-${name}`).trim();
}

const PARTS: readonly LegendEntry[] = [
  { name: "Takings", colour: "ink" },
  { name: "At the bank", colour: "good" },
  { name: "Off", colour: "off" },
  { name: "Expected", colour: "good", drawn: "outlined" },
];

/**
 * The days' takings above the line, and what reached the bank below it: tied green, off red,
 * expected only outlined.
 */
export function Band({
  days,
  currency,
  today,
}: {
  days: readonly BandDay[];
  currency: Currency;
  today: Day;
}): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const { resolvedTheme } = useTheme();
  useEffect(() => {
    if (!place.current) return;
    const chart = echarts.init(place.current, null, { renderer: "svg" });
    chart.setOption(option(days, currency, today));
    const resize = (): void => chart.resize();
    window.addEventListener("resize", resize);
    return () => {
      window.removeEventListener("resize", resize);
      chart.dispose();
    };
  }, [days, currency, today, resolvedTheme]);
  return (
    <chakra.figure margin="0 0 4px">
      <Legend entries={PARTS} />
      <Box
        height="118px"
        ref={place}
        role="img"
        aria-label="Takings by day, and what reached the bank"
      />
      <DetailTable data-hidden>
        <caption>Takings by day, and what reached the bank</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Takings</th>
            <th scope="col">At the bank</th>
            <th scope="col">Off</th>
            <th scope="col">Expected</th>
          </tr>
        </thead>
        <tbody>
          {days.map((day) => (
            <tr key={day.on}>
              <th scope="row">{formatDay(day.on, today)}</th>
              <td>{formatAmount(day.takings, currency)}</td>
              <td>{formatAmount(day.bank, currency)}</td>
              <td>{formatAmount(day.off, currency)}</td>
              <td>{formatAmount(day.expected, currency)}</td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </chakra.figure>
  );
}

function option(
  days: readonly BandDay[],
  currency: Currency,
  today: Day,
): echarts.EChartsCoreOption {
  const text = {
    color: colour("soft"),
    fontFamily: "'Figtree Variable', sans-serif",
    fontSize: 12,
  };
  // A day without a sum has no bar: null, as a bar of nothing would still draw its outline.
  const bar = (name: string, values: number[], style: object, stack: string): object => ({
    name,
    type: "bar",
    stack,
    barMaxWidth: 26,
    barGap: "-100%",
    data: values.map((value) => (value === 0 ? null : value)),
    itemStyle: style,
    animation: false,
  });
  return {
    textStyle: text,
    aria: { enabled: true },
    grid: {
      left: 4,
      right: 4,
      top: 6,
      bottom: 22,
      outerBoundsMode: "same",
      outerBoundsContain: "axisLabel",
    },
    tooltip: {
      trigger: "axis",
      confine: true,
      backgroundColor: colour("sheet"),
      borderColor: colour("line"),
      textStyle: { ...text, color: colour("ink") },
      axisPointer: { type: "none" },
      valueFormatter: (value: unknown) =>
        formatAmount(Math.abs(Math.round(Number(value))), currency, { dash: true }),
    },
    xAxis: {
      type: "category",
      data: days.map(
        (day) =>
          `${formatDay(day.on).slice(0, 3)} ${Number(day.on.slice(8))}${dayNote(day, today)}`,
      ),
      axisTick: { show: false },
      axisLine: { onZero: true, lineStyle: { color: colour("line") } },
      axisLabel: { ...text, interval: 0, lineHeight: 12 },
      position: "bottom",
    },
    yAxis: { type: "value", show: false },
    series: [
      bar(
        "Takings",
        days.map((day) => day.takings),
        { color: colour("ink"), opacity: 0.82 },
        "a",
      ),
      bar(
        "At the bank",
        days.map((day) => -Math.abs(day.bank)),
        { color: colour("good") },
        "a",
      ),
      bar(
        "Off",
        days.map((day) => -Math.abs(day.off)),
        { color: colour("off") },
        "a",
      ),
      bar(
        "Expected",
        days.map((day) => -Math.abs(day.expected)),
        { color: "transparent", borderColor: colour("good"), borderType: "dashed", borderWidth: 1 },
        "a",
      ),
    ],
  };
}

function dayNote(day: BandDay, today: Day): string {
  if (day.holiday) return "\nholiday";
  if (day.on === today) return "\ntoday";
  return "";
}
