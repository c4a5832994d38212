<script setup lang="ts">
// A line with its band, and points: for what is estimated and how surely. The table beside it says
// the same in words; the chart itself is hidden from screen readers.
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'

use([LineChart, ScatterChart, GridComponent, TooltipComponent, MarkLineComponent, SVGRenderer])
export interface BandPoint {
  x: number
  mid: number
  low: number
  high: number
}
const props = defineProps<{
  band: BandPoint[]
  dots: [number, number][]
  marks?: { x: number; name: string }[]
  xName: string
  yName: string
  time?: boolean
  yPercent?: boolean
  height?: number
}>()
const INK = '#23272b'
const SIGNAL = '#c93e17'
const SOFT = '#5f6469'
const text = { color: SOFT, fontFamily: 'Archivo Variable, sans-serif', fontSize: 12 }
const shown = (value: number) => (props.yPercent ? `${Math.round(value * 100)} %` : String(Math.round(value)))
const options = computed(() => ({
  animation: false,
  textStyle: text,
  grid: { left: 46, right: 18, top: 22, bottom: props.xName ? 34 : 24 },
  tooltip: { trigger: 'axis', valueFormatter: (v: unknown) => (typeof v === 'number' ? shown(v) : '') },
  xAxis: {
    type: props.time ? 'time' : 'value', name: props.xName, nameLocation: 'middle', nameGap: 22, min: 'dataMin', max: 'dataMax', nameTextStyle: text,
    axisLabel: { ...text, hideOverlap: true, ...(props.time ? {} : { formatter: (v: number) => String(Math.round(v)) }) },
    splitLine: { show: false }, axisLine: { lineStyle: { color: '#8d8b83' } },
  },
  yAxis: {
    type: 'value', scale: !props.yPercent, ...(props.yPercent ? { min: 0, max: 1 } : {}),
    axisLabel: { ...text, formatter: shown }, splitLine: { lineStyle: { color: '#ebe7dd' } },
  },
  series: [
    { type: 'line', stack: 'band', data: props.band.map((p) => [p.x, p.low]), lineStyle: { opacity: 0 }, symbol: 'none', tooltip: { show: false }, silent: true },
    { type: 'line', stack: 'band', data: props.band.map((p) => [p.x, p.high - p.low]), lineStyle: { opacity: 0 }, areaStyle: { color: '#8d8b83', opacity: 0.22 }, symbol: 'none', tooltip: { show: false }, silent: true },
    {
      type: 'line', name: props.yName, data: props.band.map((p) => [p.x, p.mid]), symbol: 'none', lineStyle: { color: INK, width: 2 }, itemStyle: { color: INK },
      markLine: {
        symbol: 'none', silent: true, lineStyle: { color: SIGNAL, type: 'dashed' }, label: { ...text, color: SIGNAL, formatter: '{b}', position: 'end' },
        data: (props.marks ?? []).map((m) => ({ xAxis: m.x, name: m.name })),
      },
    },
    { type: 'scatter', data: props.dots, symbolSize: 6, itemStyle: { color: 'transparent', borderColor: INK, borderWidth: 1.2 }, tooltip: { show: false } },
  ],
}))
</script>

<template>
  <div aria-hidden="true" :style="{ height: `${height ?? 220}px` }"><VChart :option="options" autoresize /></div>
</template>
