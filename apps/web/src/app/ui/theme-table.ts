import { updatePreset } from '@primeuix/themes';
import datatable from '@primeuix/themes/aura/datatable';
import paginator from '@primeuix/themes/aura/paginator';
import virtualscroller from '@primeuix/themes/aura/virtualscroller';
import { ink } from './theme';

const cell = '0.4rem 1rem 0.4rem 0';
const rule = 'var(--rule)';

let added = false;

/** The look of tables, which comes with the first that is shown. */
export function addTableTheme(): void {
  if (added) return;
  added = true;
  updatePreset({
    components: {
      datatable: {
        ...datatable,
        headerCell: { ...datatable.headerCell, background: 'transparent', color: ink, padding: cell },
        columnTitle: { fontWeight: '700' },
        bodyCell: { ...datatable.bodyCell, padding: cell },
        row: { ...datatable.row, background: 'transparent', color: ink },
        colorScheme: { light: { root: { borderColor: rule } }, dark: { root: { borderColor: rule } } },
        css: () => '.p-datatable-table th, .p-datatable-table td { vertical-align: top; }',
      },
      paginator: {
        ...paginator,
        root: { ...paginator.root, background: 'transparent', color: ink },
        navButton: { ...paginator.navButton, width: 'var(--touch)', height: 'var(--touch)', color: ink },
        currentPageReport: { color: ink },
      },
      virtualscroller,
    },
  });
}
