import { ChangeDetectionStrategy, Component, computed, linkedSignal } from '@angular/core';
import { LINE_MATERIALS, nameOf, say } from '@inky-shoal/core';
import {
  ATTITUDES,
  BEHAVIOURS,
  HOOK_SIZES,
  type HardwareAnswer,
  type HardwareChange,
  type SuspendingBalance,
} from '@inky-shoal/core/mechanics';
import { capital } from '../../sheet/words';
import { choices } from '../../ui/choices';
import { FieldsComponent, type FieldChange, type FieldSpec, type Values } from '../../ui/fields.component';
import { reckoned } from './reckoned';
import { given, lineFields, lineGiven, lineValues, Tool, withChange } from './tool';

type Answer = SuspendingBalance & { readonly answers?: readonly HardwareAnswer[] };

const SIZES = HOOK_SIZES.map((id) => ({ id, name: id }));
const PLACES = ['Front', 'Middle', 'Rear'];
const placeName = (at: number): string => (at < 0.42 ? 'front' : at > 0.7 ? 'rear' : 'middle');
/** Line that is out while a lure hangs. */
const OUT_M = 12;

/** How a suspending lure hangs with what is on it, and the least that must be changed to make it hang otherwise. */
@Component({
  selector: 'inky-balance-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldsComponent],
  templateUrl: './balance.tool.html',
  styleUrl: './tool.css',
})
export class BalanceTool extends Tool {
  /** Hooks as the lure is entered; those of a usual jerkbait where there is none. */
  private readonly asComes = computed(
    () =>
      this.lure()?.hooks ?? [
        { size: '6' as const, at: 0.35 },
        { size: '6' as const, at: 0.9 },
      ],
  );
  protected readonly values = linkedSignal<Values>(() => {
    const lure = this.lure();
    return {
      lengthMm: lure?.lengthMm ?? 110,
      widthMm: lure?.widthMm ?? Math.round(0.16 * (lure?.lengthMm ?? 110)),
      behaviour: lure?.buoyancy === 'floats' ? 'slow-rise' : lure?.buoyancy === 'sinks' ? 'slow-sink' : 'neutral',
      factoryTempC: 20,
      ...Object.fromEntries(this.asComes().map(({ size }, at) => [`hook${at}`, size])),
      ...lineValues(this.combo()),
      outM: OUT_M,
      waterTempC: 10,
      salinityPsu: 0,
      weightG: undefined,
      weightAt: 0.4,
    };
  });
  protected readonly specs = computed((): FieldSpec[] => [
    ...this.asComes().map(({ at }, index, all): FieldSpec => ({
      kind: 'one',
      key: `hook${index}`,
      label: `${all.length === 2 && index === 1 ? 'Rear' : (PLACES[index] ?? capital(placeName(at)))} treble now`,
      choices: SIZES,
    })),
    { kind: 'figure', key: 'waterTempC', label: 'Water', measure: 'temp' },
    { kind: 'figure', key: 'salinityPsu', label: 'Salt', unit: 'psu' },
    { kind: 'figure', key: 'weightG', label: 'Weight put on', unit: 'g' },
    { kind: 'figure', key: 'weightAt', label: 'At, 0 nose to 1 tail' },
    ...lineFields(choices(LINE_MATERIALS)),
    { kind: 'figure', key: 'outM', label: 'Line out', measure: 'depth' },
    { kind: 'one', key: 'behaviour', label: 'New, it is', choices: choices(BEHAVIOURS) },
    { kind: 'figure', key: 'factoryTempC', label: 'In water of', measure: 'temp' },
    { kind: 'figure', key: 'lengthMm', label: 'Length', measure: 'length' },
    { kind: 'figure', key: 'widthMm', label: 'Width', measure: 'length' },
    { kind: 'one', key: 'wantedBehaviour', label: 'Wanted', choices: choices(BEHAVIOURS), none: 'as it is' },
    { kind: 'one', key: 'wantedAttitude', label: 'With its nose', choices: choices(ATTITUDES), none: 'any way' },
  ]);
  protected readonly hooks = computed(() =>
    this.asComes().map(({ at }, index) => ({ at, size: this.values()[`hook${index}`] })),
  );
  private readonly asked = computed(() => {
    const values = this.values();
    const line = { ...lineGiven(values), ...given(values, 'outM') };
    const { wantedBehaviour, wantedAttitude, weightG, weightAt, behaviour, factoryTempC } = values;
    return {
      factory: { hooks: this.asComes(), behaviour, waterTempC: factoryTempC, line },
      ...given(values, 'lengthMm', 'widthMm', 'waterTempC', 'salinityPsu'),
      hooks: this.hooks(),
      line,
      addedWeights: weightG === undefined ? [] : [{ massG: weightG, at: weightAt }],
      ...(wantedBehaviour !== undefined && {
        wanted: { behaviour: wantedBehaviour, ...(wantedAttitude !== undefined && { attitude: wantedAttitude }) },
      }),
    };
  });
  protected readonly told = reckoned<Answer>('suspending-balance', this.asked);
  protected readonly words = computed(() => {
    const { answer } = this.told();
    return answer ? this.says(answer) : '';
  });
  /** How far the arrow goes, in the picture's own units. */
  protected readonly drift = computed(() => {
    const speed = this.told().answer?.verticalMps ?? 0;
    return Math.abs(speed) < 0.002 ? 0 : Math.sign(speed) * Math.min(70, 12 + 500 * Math.abs(speed));
  });

  protected change(change: FieldChange): void {
    this.values.set(withChange(this.values(), change));
  }

  private says({ netG, verticalMps, noseAngleDeg, behaviour, attitude }: SuspendingBalance): string {
    const speed = Math.abs(100 * verticalMps).toFixed(1);
    const goes = behaviour === 'neutral' ? 'Neutral' : `${capital(nameOf(behaviour))}, ${speed} cm a second`;
    const nose = attitude === 'level' ? 'level' : `${nameOf(attitude)} ${Math.abs(noseAngleDeg).toFixed(0)}°`;
    return `${goes}, ${nose}: ${netG >= 0 ? '' : '−'}${Math.abs(netG).toFixed(2)} g in the water.`;
  }

  protected saysChange({ changes, result }: HardwareAnswer): string {
    const done = changes.length ? changes.map((change) => this.saysOne(change)).join(', ') : 'leave it is';
    return `${capital(done)}. Then: ${this.says(result).toLowerCase()}`;
  }

  private saysOne(change: HardwareChange): string {
    const place = placeName(change.at);
    if (change.kind === 'hook') return `${place} treble of size ${change.to} for ${change.from}`;
    const grams = `${change.massG.toFixed(2)} g (${say('weight', change.massG, 'metric')})`.replace(/ \(.*\)/, '');
    return change.kind === 'weight'
      ? `a strip of ${grams} at ${change.at.toFixed(2)}`
      : `take off the ${grams} at the ${place}`;
  }
}
