import { updatePreset } from '@primeuix/themes';
import accordion from '@primeuix/themes/aura/accordion';
import checkbox from '@primeuix/themes/aura/checkbox';
import dialog from '@primeuix/themes/aura/dialog';
import inputtext from '@primeuix/themes/aura/inputtext';
import listbox from '@primeuix/themes/aura/listbox';
import popover from '@primeuix/themes/aura/popover';
import progressbar from '@primeuix/themes/aura/progressbar';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import textarea from '@primeuix/themes/aura/textarea';
import togglebutton from '@primeuix/themes/aura/togglebutton';
import { act, edge, ink, onAct, paper, paper2 } from './theme';

let added = false;

/** The look of all but the buttons, which are all that the first view has: it comes with the first of the others. */
export function addFormTheme(): void {
  if (added) return;
  added = true;
  updatePreset({
    components: {
      accordion: {
        ...accordion,
        panel: { borderWidth: '0' },
        header: {
          ...accordion.header,
          color: ink,
          background: 'transparent',
          hoverBackground: 'transparent',
          activeBackground: 'transparent',
          activeHoverBackground: 'transparent',
          padding: '0.5rem 0',
          fontWeight: '400',
          focusRing: { width: '3px', style: 'solid', color: act, offset: '2px', shadow: 'none' },
        },
        content: { ...accordion.content, background: 'transparent', padding: '0' },
        css: () => `
          .p-accordionheader {
            justify-content: flex-start;
            gap: 0.5rem;
            min-height: var(--touch);
            text-decoration: underline;
            text-decoration-color: ${edge};
            text-underline-offset: 0.2em;
          }
          .p-accordioncontent {
            grid-template-columns: minmax(0, 1fr);
          }
        `,
      },
      checkbox: {
        ...checkbox,
        root: {
          ...checkbox.root,
          checkedBackground: act,
          checkedHoverBackground: act,
          checkedBorderColor: act,
          checkedHoverBorderColor: act,
          checkedFocusBorderColor: act,
        },
        icon: { ...checkbox.icon, checkedColor: onAct, checkedHoverColor: onAct },
      },
      dialog,
      inputtext: {
        ...inputtext,
        css: () => '.p-inputtext { width: 100%; height: var(--touch); font-weight: 400; }',
      },
      listbox: {
        ...listbox,
        css: () => `
        .p-listbox { border: 0; }
        .p-listbox-option { min-height: var(--touch); }
        .p-listbox-option-selected::before { content: '\\2713'; margin-right: 0.5rem; }
      `,
      },
      popover,
      selectbutton,
      textarea: { ...textarea, css: () => '.p-textarea { width: 100%; font-weight: 400; }' },
      togglebutton: {
        ...togglebutton,
        css: () => '.p-togglebutton { min-height: var(--touch); min-width: 5.5rem; }',
        colorScheme: {
          ...togglebutton.colorScheme,
          light: {
            ...togglebutton.colorScheme?.light,
            root: {
              background: paper,
              hoverBackground: paper2,
              checkedBackground: paper2,
              borderColor: edge,
              checkedBorderColor: edge,
              color: ink,
              hoverColor: ink,
              checkedColor: paper,
            },
            content: { checkedBackground: ink, checkedShadow: 'none' },
          },
        },
      },
      progressbar: {
        ...progressbar,
        root: { ...progressbar.root, height: '0.6rem' },
        value: { background: act },
        css: () => '.p-progressbar { flex: 1 1 8rem; max-width: 16rem; }',
      },
      select: {
        ...select,
        css: () => `
          .p-select { min-height: var(--touch); align-items: center; font-weight: 400; }
          .p-select-option { min-height: var(--touch); }
        `,
      },
    },
  });
}
