import { booleanAttribute, ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/**
 * A press that opens a file of this device. It is handed on and sent nowhere. The browser's own input stands behind it:
 * PrimeNG's FileUpload cannot ask for the camera, and names itself to a screen reader by nothing but "Choose".
 */
@Component({
  selector: 'inky-open-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <button pButton text type="button" [disabled]="disabled()" (click)="input.click()">{{ label() }}</button>
    <input
      #input
      type="file"
      hidden
      [attr.aria-label]="label()"
      [accept]="accept()"
      [multiple]="many()"
      [attr.capture]="camera() ? 'environment' : null"
      (change)="take(input)"
    />
  `,
})
export class OpenFileComponent {
  readonly label = input.required<string>();
  /** Endings or kinds of file, as an input takes them. */
  readonly accept = input.required<string>();
  /** The camera is opened where there is one. */
  readonly camera = input(false, { transform: booleanAttribute });
  readonly disabled = input(false);
  /** Several may be opened at once. */
  readonly many = input(false, { transform: booleanAttribute });
  /** The file, or the first of several. */
  readonly opened = output<File>();
  readonly openedAll = output<readonly File[]>();

  protected take(input: HTMLInputElement): void {
    const files = [...(input.files ?? [])];
    const [file] = files;
    // Emptied, so that the same file can be opened again.
    input.value = '';
    if (!file) return;
    this.opened.emit(file);
    this.openedAll.emit(files);
  }
}
