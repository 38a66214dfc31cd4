/** Colours of the chosen look, as the components of PrimeNG are given them. */
export const [ink, ink2, paper, paper2, edge, act, onAct] = [
  'var(--ink)',
  'var(--ink-2)',
  'var(--paper)',
  'var(--paper-2)',
  'var(--edge)',
  'var(--act)',
  'var(--on-act)',
];
const square = { none: '0', xs: '1px', sm: '2px', md: '2px', lg: '2px', xl: '2px' };
const field = {
  background: paper,
  disabledBackground: paper2,
  filledBackground: paper,
  filledHoverBackground: paper,
  filledFocusBackground: paper,
  invalidBorderColor: act,
  disabledColor: ink2,
  invalidPlaceholderColor: ink2,
  iconColor: ink2,
  borderColor: edge,
  hoverBorderColor: ink,
  focusBorderColor: ink,
  color: ink,
  placeholderColor: ink2,
  shadow: 'none',
};
const scheme = {
  surface: {
    0: paper,
    50: paper2,
    100: paper2,
    200: edge,
    300: edge,
    400: ink2,
    500: ink2,
    600: ink,
    700: ink,
    800: ink,
    900: ink,
    950: ink,
  },
  primary: { color: ink, contrastColor: paper, hoverColor: ink2, activeColor: ink2 },
  highlight: { background: paper2, focusBackground: paper2, color: ink, focusColor: ink },
  formField: field,
  text: { color: ink, hoverColor: ink, mutedColor: ink2, hoverMutedColor: ink },
  content: { background: paper, hoverBackground: paper2, borderColor: edge, color: ink, hoverColor: ink },
  overlay: {
    select: { background: paper, borderColor: edge, color: ink },
    popover: { background: paper, borderColor: ink, color: ink },
    modal: { background: paper, borderColor: ink, color: ink },
  },
  mask: { background: 'rgba(0, 0, 0, 0.4)', color: paper2 },
  list: {
    optionGroup: { background: 'transparent', color: ink2 },
    option: {
      icon: { color: ink2, focusColor: ink },
      focusBackground: paper2,
      selectedBackground: ink,
      selectedFocusBackground: ink,
      color: ink,
      focusColor: ink,
      selectedColor: paper,
      selectedFocusColor: paper,
    },
  },
};

/** The one action of a view is a block of colour; every other one (`text`) is a word that can be pressed. */
const buttons = {
  root: {
    primary: {
      background: act,
      hoverBackground: act,
      activeBackground: act,
      borderColor: act,
      hoverBorderColor: act,
      activeBorderColor: act,
      color: onAct,
      hoverColor: onAct,
      activeColor: onAct,
    },
  },
  text: { primary: { hoverBackground: 'transparent', activeBackground: paper2, color: ink } },
};
const button = {
  root: {
    borderRadius: '2px',
    gap: '0.5rem',
    paddingX: '1rem',
    paddingY: '0.5rem',
    label: { fontWeight: '700' },
    focusRing: { width: '3px', style: 'solid', offset: '2px' },
    transitionDuration: '0s',
  },
  colorScheme: { light: buttons, dark: buttons },
  css: () => `
    .p-button { min-height: var(--touch); font-size: inherit; border: 0; font-weight: 700; text-decoration: none; user-select: auto; }
    .p-button:not(:disabled):hover, .p-button:not(:disabled):active { border: 0; }
    .p-button:disabled { background: ${paper2}; color: ${ink2}; }
    .p-button-text {
      min-width: var(--touch);
      padding: 0.5rem 0.25rem;
      font-weight: 400;
      text-decoration: underline;
      text-underline-offset: 0.2em;
      text-decoration-color: ${edge};
    }
    .p-button-text:disabled { background: transparent; text-decoration: none; }
    .p-button-text:not(:disabled):hover { text-decoration-thickness: 2px; }
    .p-button-text.entry { justify-content: flex-start; gap: 0; text-align: left; text-decoration: none; }
  `,
};

/**
 * PrimeNG in our own look: square corners, ink lines, no shadows, colours by the tokens of the chosen look. The looks of
 * what the first page does not show come with what shows it.
 */
export const INKY_PRESET = {
  primitive: { borderRadius: square },
  semantic: {
    transitionDuration: '0.1s',
    focusRing: { width: '3px', style: 'solid', color: act, offset: '2px', shadow: 'none' },
    disabledOpacity: '0.6',
    iconSize: '1rem',
    anchorGutter: '2px',
    content: { borderRadius: '2px' },
    mask: { transitionDuration: '0.1s' },
    overlay: {
      select: { borderRadius: '2px', shadow: 'none' },
      popover: { borderRadius: '2px', padding: '1rem', shadow: '0 0 0 1px var(--ink)' },
      modal: { borderRadius: '2px', padding: '1.25rem', shadow: 'none' },
    },
    formField: {
      borderRadius: '2px',
      paddingX: '0.6rem',
      paddingY: '0.6rem',
      sm: { fontSize: '0.875rem', paddingX: '0.5rem', paddingY: '0.4rem' },
      lg: { fontSize: '1.125rem', paddingX: '0.75rem', paddingY: '0.75rem' },
      focusRing: { width: '0', style: 'none', color: 'transparent', offset: '0', shadow: 'none' },
      transitionDuration: '0.1s',
    },
    list: {
      padding: '0.25rem 0.25rem',
      gap: '2px',
      header: { padding: '0.5rem 1rem 0.25rem 1rem' },
      option: { padding: '0.5rem 0.75rem', borderRadius: '2px' },
      optionGroup: { padding: '0.5rem 0.75rem', fontWeight: '600' },
    },
    colorScheme: { light: scheme, dark: scheme },
  },
  components: {
    button,
  },
};
