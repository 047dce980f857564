import { definePreset } from '@primeuix/themes';
import autocomplete from '@primeuix/themes/aura/autocomplete';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import chip from '@primeuix/themes/aura/chip';
import dialog from '@primeuix/themes/aura/dialog';
import iconfield from '@primeuix/themes/aura/iconfield';
import inputtext from '@primeuix/themes/aura/inputtext';
import multiselect from '@primeuix/themes/aura/multiselect';
import ripple from '@primeuix/themes/aura/ripple';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import toast from '@primeuix/themes/aura/toast';
import togglebutton from '@primeuix/themes/aura/togglebutton';
import virtualscroller from '@primeuix/themes/aura/virtualscroller';

/** The widgets wear the same paper and ink as everything drawn here: every colour is one of the tokens. */
const scheme = {
  primary: {
    color: 'var(--ink)',
    contrastColor: 'var(--paper)',
    hoverColor: 'var(--ink-2)',
    activeColor: 'var(--ink-2)',
  },
  highlight: {
    background: 'var(--copper-3)',
    focusBackground: 'var(--copper-3)',
    color: 'var(--ink)',
    focusColor: 'var(--ink)',
  },
  formField: {
    background: 'var(--sheet)',
    disabledBackground: 'var(--paper)',
    borderColor: 'var(--rule-strong)',
    hoverBorderColor: 'var(--ink-3)',
    focusBorderColor: 'var(--copper)',
    invalidBorderColor: 'var(--madder)',
    color: 'var(--ink)',
    disabledColor: 'var(--ink-3)',
    placeholderColor: 'var(--ink-3)',
    shadow: 'none',
    iconColor: 'var(--ink-3)',
  },
  text: {
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
    mutedColor: 'var(--ink-2)',
    hoverMutedColor: 'var(--ink)',
  },
  content: {
    background: 'var(--sheet)',
    hoverBackground: 'var(--copper-3)',
    borderColor: 'var(--rule-strong)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
  },
  overlay: {
    select: { background: 'var(--sheet)', borderColor: 'var(--rule-strong)', color: 'var(--ink)' },
    popover: { background: 'var(--sheet)', borderColor: 'var(--rule-strong)', color: 'var(--ink)' },
    modal: { background: 'var(--sheet)', borderColor: 'var(--rule-strong)', color: 'var(--ink)' },
  },
  list: {
    option: {
      focusBackground: 'var(--copper-3)',
      selectedBackground: 'var(--copper-3)',
      selectedFocusBackground: 'var(--copper-3)',
      color: 'var(--ink)',
      focusColor: 'var(--ink)',
      selectedColor: 'var(--ink)',
      selectedFocusColor: 'var(--ink)',
    },
  },
};

/** Yes and no side by side: the one that holds is marked as what is in hand is everywhere else. */
const toggle = {
  root: {
    background: 'var(--sheet)',
    hoverBackground: 'var(--copper-3)',
    checkedBackground: 'var(--copper-3)',
    borderColor: 'var(--rule-strong)',
    checkedBorderColor: 'var(--rule-strong)',
    color: 'var(--ink-2)',
    hoverColor: 'var(--ink)',
    checkedColor: 'var(--ink)',
  },
  content: { checkedBackground: 'var(--copper-3)' },
};

/** The widgets that are used here, and those that they are made of. The styles of all the others would be half of what is loaded first. */
const widgets = {
  ...base,
  components: {
    autocomplete,
    button,
    checkbox,
    chip,
    dialog,
    iconfield,
    inputtext,
    multiselect,
    ripple,
    select,
    selectbutton,
    toast,
    togglebutton,
    virtualscroller,
  },
};

export const paperAndInk = definePreset(widgets, {
  primitive: { borderRadius: { none: '0', xs: '2px', sm: '3px', md: '4px', lg: '4px', xl: '6px' } },
  components: {
    togglebutton: { colorScheme: { light: toggle, dark: toggle } },
  },
  semantic: {
    formField: {
      paddingX: '7px',
      paddingY: '3px',
      sm: { fontSize: '12px', paddingX: '6px', paddingY: '2px' },
    },
    list: { option: { padding: '4px 9px' } },
    overlay: {
      select: { shadow: '0 2px 10px rgb(0 0 0 / .12)' },
      popover: { shadow: 'none' },
      modal: { shadow: 'none' },
    },
    colorScheme: { light: scheme, dark: scheme },
  },
});
