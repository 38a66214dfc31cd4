import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { ButtonDirective } from 'primeng/button';
import { focusField } from '../ui/focus-field';
import { FieldComponent } from '../ui/field.component';
import type { Planned } from './day.service';
import type { Draft } from './draft';
import { SavePlanService } from './save-plan.service';
import { nameToSave, replaced } from './saved-name';

/** The name that a plan is saved under; a day that was changed since may take the place of what it was. */
@Component({
  selector: 'inky-save-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (ngSubmit)="save(false)">
      <inky-field fieldId="plan-name" label="Name of the plan" [maxLength]="120" [control]="form.controls.name" />
      <button pButton type="submit" [disabled]="!form.value.name?.trim()">Save</button>
      @if (replaces(); as former) {
        <button pButton text type="button" (click)="save(true)">Replace {{ former }}</button>
      }
      <button pButton text type="button" (click)="cancelled.emit()">Cancel</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 0.5rem;
      max-width: 34rem;
      margin: 0.25rem 0 0.75rem;
    }
    inky-field {
      flex: 1 1 14rem;
    }
  `,
})
export class SavePlanComponent {
  /** The day as it is on the sheet, with its plan. */
  readonly draft = input.required<Draft>();
  readonly planned = input.required<Planned>();
  /** It is on its way to be saved. */
  readonly saved = output();
  readonly cancelled = output();

  private readonly service = inject(SavePlanService);
  /** The plan that it could take the place of. */
  protected readonly replaces = computed(() => replaced(this.draft()));

  protected readonly form = inject(NonNullableFormBuilder).group({ name: '' });

  constructor() {
    effect(() => this.form.setValue({ name: nameToSave(this.draft()) }));
    focusField('plan-name');
  }

  /** @param replaces it takes the place of what it was, under its name */
  protected save(replaces: boolean): void {
    const former = this.replaces();
    const name = replaces && former ? former : this.form.getRawValue().name.trim();
    if (!name) return;
    this.service.save(this.draft(), this.planned(), name, replaces);
    this.saved.emit();
  }
}
