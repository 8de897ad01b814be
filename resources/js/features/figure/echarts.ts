import { LineChart, ScatterChart } from 'echarts/charts'
import {
  AriaComponent,
  DataZoomInsideComponent,
  GraphicComponent,
  GridComponent,
  LegendPlainComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import * as echarts from 'echarts/core'
import { LabelLayout } from 'echarts/features'
import { CanvasRenderer, SVGRenderer } from 'echarts/renderers'

echarts.use([
  LineChart,
  ScatterChart,
  AriaComponent,
  DataZoomInsideComponent,
  GraphicComponent,
  GridComponent,
  LegendPlainComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
  LabelLayout,
  SVGRenderer,
  CanvasRenderer,
])

export { echarts }
export type { EChartsOption as FigureOption } from 'echarts'
