import { nameOf, say, sayRange, type PlanWindow, type Presentation, type UnitSystem } from '@inky-shoal/core';
import { capital, sayDepths, sayList } from '../words';

function colourWords({ colour, blades, trailer, sound }: Presentation): string {
  const parts = [`${capital(colour.tone)}: ${sayList(colour.families)}`];
  if (blades)
    parts.push(
      `${blades.shapes[0] === blades.shapes[1] ? 'two ' : ''}${[...new Set(blades.shapes)].join(' and ')} blades, ${nameOf(blades.finish)}`,
    );
  if (sound) parts.push(nameOf(sound));
  if (trailer) parts.push(`${trailer.bulk} ${trailer.action} trailer`);
  return parts.join('; ');
}

function rigWords({ rig }: Presentation, units: UnitSystem): string {
  const { rod, reel, line } = rig;
  const test = (lb: number) => say('test', lb, units);
  const leader = line.leader ? `, ${test(line.leader.testLb)} ${line.leader.material} leader` : '';
  const parts = [
    `${capital(rod.power)} ${rod.action} rod, ${say('rodLength', rod.lengthM, units)}`,
    `${reel.kind} ${reel.ratio}`,
    `${test(line.testLb)} ${line.material}${leader}`,
  ];
  if (rig.hooks) parts.push(`trebles ${[...new Set(rig.hooks)].join(' and ')}`);
  if (rig.headG) parts.push(`head ${sayRange('weight', rig.headG, units)}`);
  if (rig.attitude) parts.push(`nose ${rig.attitude.nose}, ${nameOf(rig.attitude.behaviour)}`);
  return parts.join('; ');
}

/** What to tie on, in words: what part it plays, which of its kind to take and how large; its colour; its rig. */
export function adviceWords(it: Presentation, units: UnitSystem) {
  const kind = it.class ? `, one for ${sayDepths(it.class.reachM, units)}` : '';
  const size = `${sayRange('length', it.size.lengthMm, units)}, ${sayRange('weight', it.size.weightG, units)}`;
  return { role: `${nameOf(it.role)}${kind}, ${size}`, colour: colourWords(it), rig: rigWords(it, units) };
}

/** Where the fish are: the heaviest group, and the next that lies apart from it. */
export function fishWords({ holding }: Pick<PlanWindow, 'holding'>, units: UnitSystem): string {
  const [first, ...others] = holding;
  if (!first) return '';
  const [from, to] = first.depthM;
  const apart = others.find(({ depthM }) => depthM[0] > to || depthM[1] < from);
  return sayDepths(first.depthM, units) + (apart ? ` and at ${sayDepths(apart.depthM, units)}` : '');
}
