import { ChangeDetectionStrategy, Component, effect, input, viewChild, type ElementRef } from '@angular/core';
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import type { Need } from '../../../../../../core/fit';

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

/** What a column needs, by its name. */
export interface ColumnNeed extends Need {
  readonly name: string;
}

/** What each column needs, as bars: the least, and what it would take beyond that. The same as a table for those who cannot see it. */
@Component({
  selector: 'zest-fit-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="zest-note" aria-hidden="true">What columns need in px: dark at least, light without a break.</p>
    <div class="chart" aria-hidden="true" [style.height.px]="34 + columns().length * 18"><canvas #canvas></canvas></div>
    <table class="heard">
      <caption>
        Width that each column needs, in pixels
      </caption>
      <thead>
        <tr>
          <th scope="col">Column</th>
          <th scope="col">At least</th>
          <th scope="col">Without a break</th>
        </tr>
      </thead>
      <tbody>
        @for (each of columns(); track $index) {
          <tr>
            <th scope="row">{{ each.name }}</th>
            <td>{{ round(each.least) }}</td>
            <td>{{ round(each.natural) }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    p {
      margin: 0;
    }
    .chart {
      position: relative;
      max-height: 260px;
    }
    .heard {
      position: absolute;
      clip-path: inset(50%);
      width: 1px;
      height: 1px;
      overflow: hidden;
    }
  `,
})
export class FitChart {
  readonly columns = input.required<readonly ColumnNeed[]>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly round = Math.round;

  constructor() {
    effect((onCleanup) => {
      const columns = this.columns();
      const canvas = this.canvas().nativeElement;
      // As the look of the system has it: a canvas knows no custom property.
      const colour = (name: string): string => {
        const probe = document.createElement('i');
        probe.style.color = `var(--zest-${name})`;
        document.body.append(probe);
        const { color } = getComputedStyle(probe);
        probe.remove();
        return color;
      };
      const bars = (label: string, data: readonly number[], fill: string) => ({
        label,
        data: data.map(Math.round),
        backgroundColor: fill,
        barThickness: 12,
      });
      const chart = new Chart(canvas, {
        type: 'bar',
        data: {
          labels: columns.map(({ name }) => (name.length > 18 ? `${name.slice(0, 17)}…` : name)),
          datasets: [
            bars(
              'at least',
              columns.map(({ least }) => least),
              colour('leaf'),
            ),
            bars(
              'without a break, more by',
              columns.map(({ least, natural }) => natural - least),
              colour('edge'),
            ),
          ],
        },
        options: {
          indexAxis: 'y',
          animation: false,
          responsive: true,
          maintainAspectRatio: false,
          scales: {
            x: { stacked: true, ticks: { color: colour('soft'), font: { size: 11 } }, grid: { color: colour('line') } },
            y: { stacked: true, ticks: { color: colour('ink'), font: { size: 11 } }, grid: { display: false } },
          },
        },
      });
      onCleanup(() => chart.destroy());
    });
  }
}
