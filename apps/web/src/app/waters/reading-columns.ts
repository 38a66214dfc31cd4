import { say, type UnitSystem, type Water } from '@inky-shoal/core';
import type { ColumnRole, TableReading } from '@inky-shoal/core/formats';
import { localInput } from '../ui/local-time';

/** What a column of readings tells. */
export const ROLE_NAMES: Readonly<Record<ColumnRole, string>> = {
  date: 'day (and time)',
  time: 'time',
  temp: 'water temperature',
  visibility: 'clarity',
  depth: 'depth',
  zone: 'zone',
  ignore: 'nothing of use',
};

/** A reading as it stands in the preview of what is to come in. */
export const readingRow = ({ draft }: TableReading, { place, zones = [] }: Water, units: UnitSystem) => ({
  when: localInput(draft.at, place.timeZone).replace('T', ' '),
  zone: zones.find(({ id }) => id === draft.zoneId)?.name ?? '',
  temp: say('temp', draft.surfaceTempC, units),
  seen: draft.visibilityM === undefined ? '' : say('depth', draft.visibilityM, units),
  depths: draft.profile ? `${draft.profile.length} depths` : '',
});
