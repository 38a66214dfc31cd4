import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { LINE_MATERIALS, say } from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';
import { statedOf } from '@inky-shoal/core/tackle/match';
import type { RunningDepth } from '@inky-shoal/core/mechanics';
import { capital } from '../../sheet/words';
import { choices } from '../../ui/choices';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import { TableComponent } from '../../ui/table.component';
import type { PathScene } from './path-pen';
import { PathPictureComponent } from './path-picture.component';
import { reckoned } from './reckoned';
import { CAST, DIVING, HOW, lineWords, runningWords, SINKING } from './running-depth-words';
import { given, lineFields, lineGiven, lineValues, middleOf, Tool, withChange } from './tool';

/** How deep a lure runs on a cast, with what line it would get to a depth, and what it does at a speed. */
@Component({
  selector: 'inky-running-depth-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent, PathPictureComponent, TableComponent],
  template: `
    @if (told().answer; as answer) {
      <p class="answer" role="status">{{ words() }}</p>
      <inky-path-picture [scene]="scene()!" [units]="units()" [label]="words()" />
      @if (answer.lines.length) {
        <p>{{ lines() }}</p>
      }
      @if (answer.heldAtSpeed; as held) {
        <p id="held">Depth it holds half way back, by speed</p>
        <inky-table label="Depth held by speed" [rows]="[held]">
          <ng-template #head>
            <tr>
              @for (each of held; track each[0]) {
                <th scope="col">{{ speed(each[0]) }}</th>
              }
            </tr>
          </ng-template>
          <ng-template #row>
            <tr>
              @for (each of held; track each[0]) {
                <td>{{ each[1] < 0.05 ? 'on top' : depth(each[1]) }}</td>
              }
            </tr>
          </ng-template>
        </inky-table>
      }
    }
    <p class="problem" role="alert">{{ told().problems[''] }}</p>
    <inky-fields
      prefix="depth"
      [specs]="specs()"
      [values]="values()"
      [problems]="told().problems"
      (changed)="change($event)"
    />
  `,
  styleUrl: './tool.css',
})
export class RunningDepthTool extends Tool {
  protected readonly values = linkedSignal<Values>(() => {
    const [lure, combo] = [this.lure(), this.combo()];
    const form = lure ? categoryOf(lure.category).form : 'diver';
    const stated = lure && statedOf(lure);
    const sinking = form !== 'diver' && form !== 'surface' && form !== 'hung';
    return {
      how: sinking ? form : 'diving',
      statedDepthM: stated?.depthM ?? 4,
      lineMaterial: stated?.line.material ?? 'fluorocarbon',
      statedTestLb: stated?.line.testLb ?? 10,
      statedCastM: stated?.castM ?? 35,
      massG: lure?.weightG ?? 14,
      ...lineValues(combo),
      castM: stated?.castM ?? 35,
      speedMps: sinking ? 0.6 : 0.9,
      rodTipM: 0.5,
      wantedDepthM: middleOf(this.wantedM()),
      zoneFromM: this.wantedM()?.[0],
      zoneToM: this.wantedM()?.[1],
    };
  });
  private readonly diving = computed(() => this.values()['how'] === 'diving');
  protected readonly specs = computed((): FieldSpec[] => [
    { kind: 'one', key: 'how', label: 'Goes down by', choices: HOW },
    ...(this.diving() ? DIVING : SINKING),
    ...lineFields(choices(LINE_MATERIALS)),
    ...CAST.filter(({ key }) => key !== 'wantedDepthM' || this.diving()),
  ]);
  private readonly bottom = computed(() => {
    const { bottomNearM, bottomFarM, castM } = this.values();
    if (bottomNearM === undefined && bottomFarM === undefined) return undefined;
    return [
      [0, bottomNearM ?? bottomFarM],
      [castM ?? 35, bottomFarM ?? bottomNearM],
    ];
  });
  private readonly zone = computed(() => {
    const { zoneFromM, zoneToM } = this.values();
    return zoneFromM === undefined || zoneToM === undefined ? undefined : [zoneFromM, zoneToM];
  });
  private readonly asked = computed(() => {
    const values = this.values();
    const lure = this.diving()
      ? {
          kind: 'diving',
          ...given(values, 'statedDepthM'),
          statedFor: { ...given(values, 'lineMaterial'), testLb: values['statedTestLb'], castM: values['statedCastM'] },
        }
      : { kind: 'sinking', form: values['how'], ...given(values, 'massG') };
    return {
      lure,
      line: lineGiven(values),
      ...given(values, 'castM', 'speedMps', 'rodTipM'),
      ...(this.diving() ? given(values, 'wantedDepthM') : given(values, 'startDepthM')),
      ...(this.zone() && { strikeZoneM: this.zone() }),
      ...(this.bottom() && { bottomM: this.bottom() }),
    };
  });
  protected readonly told = reckoned<RunningDepth>('running-depth', this.asked);
  protected readonly scene = computed((): PathScene | null => {
    const answer = this.told().answer;
    return (
      answer && {
        path: answer.path,
        across: 'distance',
        bandM: this.zone() as [number, number] | undefined,
        bottomM: this.bottom() as [number, number][] | undefined,
        wantedM: this.values()['wantedDepthM'] as number | undefined,
      }
    );
  });
  protected readonly words = computed(() => {
    const { answer } = this.told();
    return answer ? runningWords(answer, this.values()['wantedDepthM'] as number, this.units()) : '';
  });
  protected readonly lines = computed(() => {
    const wantedM = this.values()['wantedDepthM'] as number | undefined;
    return lineWords(this.told().answer?.lines ?? [], wantedM ?? 0, this.units());
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }

  protected readonly depth = (si: number): string => say('depth', si, this.units());
  protected readonly speed = (si: number): string => capital(say('speed', si, this.units()));
}
