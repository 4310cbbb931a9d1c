import type { GroundBook } from '@riffle/core';
import { showGold, showVolume } from '@riffle/core';
import { BarChart, LineChart, type BarSeriesOption, type LineSeriesOption } from 'echarts/charts';
import {
  AriaComponent,
  GridComponent,
  TooltipComponent,
  type GridComponentOption,
  type TooltipComponentOption,
} from 'echarts/components';
import { init, use as register, type ComposeOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { usePreferences } from '../../preferences/preferences.ts';
import { sayDay } from '../../when/localTime.ts';
import { useToday } from '../../when/useLocalTime.ts';

register([BarChart, LineChart, GridComponent, TooltipComponent, AriaComponent, CanvasRenderer]);
type Option = ComposeOption<BarSeriesOption | LineSeriesOption | GridComponentOption | TooltipComponentOption>;

/** The season by clean-up day: gold as bars, all gold so far as a line. */
export function SeasonChart({ days }: { days: GroundBook['days'] }) {
  const element = useRef<HTMLDivElement>(null);
  const { display, light } = usePreferences().preferences;
  const today = useToday();
  useEffect(() => {
    if (!element.current) return undefined;
    const style = getComputedStyle(document.documentElement);
    const color = (name: string): string => style.getPropertyValue(`--${name}`).trim();
    const chart = init(element.current);
    const unit = showGold(1, display).unit;
    const gold = (mg: number): number => Number(showGold(mg, display).digits.replaceAll(',', ''));
    let sum = 0;
    const text = { color: color('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 12.5 };
    const option: Option = {
      textStyle: text,
      animation: false,
      aria: { enabled: true },
      grid: { left: 56, right: 64, top: 34, bottom: 28 },
      tooltip: {
        trigger: 'axis',
        backgroundColor: color('picked'),
        borderColor: color('ink'),
        textStyle: text,
        formatter: (params) => {
          const day = days[(Array.isArray(params) ? params[0] : params)?.dataIndex ?? 0];
          if (!day) return '';
          const [g, v] = [showGold(day.gold_mg, display), showVolume(day.volumeBank_L, display)];
          return `${sayDay(day.day, today)}<br>${g.digits} ${g.unit} from ${v.digits} ${v.unit} bank`;
        },
      },
      xAxis: {
        type: 'category',
        data: days.map((d) => sayDay(d.day, today)),
        axisLine: { lineStyle: { color: color('ink') } },
        axisTick: { show: false },
        axisLabel: text,
      },
      yAxis: [
        {
          type: 'value',
          name: `${unit} a day`,
          nameTextStyle: { ...text, color: color('gold') },
          axisLabel: { ...text, color: color('gold') },
          splitLine: { lineStyle: { color: color('rule') } },
        },
        { type: 'value', name: `${unit} so far`, nameTextStyle: text, axisLabel: text, splitLine: { show: false } },
      ],
      series: [
        {
          type: 'bar',
          barMaxWidth: 34,
          data: days.map((d) => gold(d.gold_mg)),
          itemStyle: { color: color('gold-fill'), borderColor: color('gold'), borderWidth: 1.6 },
        },
        {
          type: 'line',
          yAxisIndex: 1,
          symbol: 'circle',
          symbolSize: 6,
          itemStyle: { color: color('ink') },
          data: days.map((d) => gold((sum += d.gold_mg))),
          lineStyle: { color: color('ink'), width: 2 },
        },
      ],
    };
    chart.setOption(option);
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(element.current);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [days, display, light, today]);
  return (
    <div
      ref={element}
      className="h-60 w-full"
      role="img"
      aria-label={`Gold by clean-up day: ${days.map((d) => `${d.day} ${showGold(d.gold_mg, display).digits} ${display.gold}`).join(', ')}`}
    />
  );
}
