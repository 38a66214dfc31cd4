import { afterNextRender, type Injector } from '@angular/core';

/**
 * Once the page stands as it is to be, a field has the focus, and what is in it is typed over.
 * @param injector needed where it is called later than in a constructor
 */
export function focusField(fieldId: string, injector?: Injector): void {
  afterNextRender(
    () => {
      const field = document.getElementById(fieldId);
      field?.focus();
      if (field instanceof HTMLInputElement) field.select();
    },
    { injector },
  );
}
