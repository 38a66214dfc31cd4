import type { ComponentFixture } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { Select } from 'primeng/select';

const hostOf = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;

/** Chooses of a list, by the id of the list in the page and the id of what it has. */
export async function choose(fixture: ComponentFixture<unknown>, fieldId: string, id: string): Promise<void> {
  const lists = fixture.debugElement.queryAll(By.directive(Select)).map((each) => each.componentInstance as Select);
  const list = lists.find(({ inputId }) => inputId === fieldId);
  if (!list) throw new Error(`No list ${fieldId} in "${hostOf(fixture).textContent}"`);
  const options = list.visibleOptions() as unknown[];
  const option = options.find((each) => !list.isOptionGroup(each) && list.getOptionValue(each) === id);
  if (!option) throw new Error(`The list ${fieldId} has no ${id}`);
  list.onOptionSelect(new Event('click'), option);
  await fixture.whenStable();
}

/** Types into a field, or chooses of a list, whichever is there. */
export async function fill(
  fixture: ComponentFixture<unknown>,
  selector: string,
  value: string,
  event = 'input',
): Promise<void> {
  const field = hostOf(fixture).querySelector<HTMLInputElement>(selector);
  if (!field) throw new Error(`No ${selector} in "${hostOf(fixture).textContent}"`);
  if (field.getAttribute('role') === 'combobox') return choose(fixture, field.id, value);
  field.value = value;
  field.dispatchEvent(new Event(event));
  await fixture.whenStable();
}

/** Opens a file by the words of its button. */
export function openFile(fixture: ComponentFixture<unknown>, label: string, file: File): void {
  const openers = [...hostOf(fixture).querySelectorAll('inky-open-file')];
  const input = openers.find(({ textContent }) => textContent?.includes(label))?.querySelector('input');
  if (!input) throw new Error(`No ${label} in "${hostOf(fixture).textContent}"`);
  Object.defineProperty(input, 'files', { configurable: true, value: [file] });
  input.dispatchEvent(new Event('change'));
}

/** Opens what is folded away under a line that begins so, and waits until it is there. */
export async function unfold(fixture: ComponentFixture<unknown>, label: string): Promise<HTMLElement> {
  const fold = () =>
    [...hostOf(fixture).querySelectorAll<HTMLElement>('inky-fold')].find(({ textContent }) =>
      textContent?.trim().startsWith(label),
    );
  const isOpen = () => fold()?.querySelector('[role=button][aria-expanded=true]');
  for (let tries = 0; tries < 1000 && !isOpen(); tries++) {
    fold()?.querySelector<HTMLElement>('[aria-expanded=false]')?.click();
    await new Promise((resolve) => setTimeout(resolve, 10));
    await fixture.whenStable();
  }
  const opened = isOpen() && fold();
  if (!opened) throw new Error(`No fold ${label} in "${hostOf(fixture).textContent}"`);
  return opened;
}
