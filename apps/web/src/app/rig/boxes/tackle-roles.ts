import { TACKLE_ROLES } from '@inky-shoal/core/tackle';

/** The role of a column that says nothing of use. */
export const IGNORED = 'ignore';
const UNIT = /_(mm|g|m|lb|in|oz|ft|kg|yd)$/;

/** A column of tackle in words, with its unit: `stated_depth_ft` is "stated depth, ft". */
const sayRole = (role: string): string => role.replace(UNIT, ', $1').replaceAll('_', ' ');

/** What a column may be. */
export const ROLE_CHOICES = [
  { id: IGNORED, name: 'nothing of use' },
  ...TACKLE_ROLES.map((id) => ({ id, name: sayRole(id) })),
];
