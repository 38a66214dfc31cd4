import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { DatePicker } from 'primeng/datepicker';
import { FileUpload } from 'primeng/fileupload';
import { Slider } from 'primeng/slider';

/**
 * Where the browser's own control stands, PrimeNG's tells a screen reader less, or a thumb more work. Once one of these
 * fails, the control can be PrimeNG's.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DatePicker, FileUpload, ReactiveFormsModule, Slider],
  template: `
    <p-slider [formControl]="minute" ariaLabel="Day" />
    <p-datepicker class="time" [inline]="true" [timeOnly]="true" [formControl]="at" />
    <p-datepicker class="day" [inline]="true" [formControl]="at" />
    <p-fileupload mode="basic" chooseLabel="Photo" accept="image/*" />
  `,
})
class PrimeControls {
  readonly minute = new FormControl(12);
  readonly at = new FormControl(new Date(2027, 2, 13, 6, 30));
}

describe("PrimeNG's own", () => {
  let page: HTMLElement;
  beforeEach(async () => {
    const fixture = TestBed.createComponent(PrimeControls);
    await fixture.whenStable();
    page = fixture.nativeElement as HTMLElement;
  });

  it('slider says a bare number where we say the day and its temperature', () => {
    const handle = page.querySelector('[role=slider]');
    expect(handle?.getAttribute('aria-valuenow')).toBe('12');
    expect(handle?.hasAttribute('aria-valuetext')).toBe(false);
  });

  it('picker of times has steps that name no figure, and nothing that says which one it came to', () => {
    const time = page.querySelector('.time');
    expect(time?.querySelectorAll('button').length).toBeGreaterThanOrEqual(4);
    expect(time?.querySelector('[role=spinbutton], [aria-live], [aria-valuenow]')).toBeNull();
  });

  it('calendar has days that are bare numbers to a screen reader, of no month', () => {
    const days = [...page.querySelectorAll('.day td > span')];
    expect(days.length).toBeGreaterThan(27);
    expect(days.every((day) => !day.hasAttribute('aria-label'))).toBe(true);
  });

  it('opener of files cannot ask for the camera, and is named by its maker, not by us', () => {
    const input = page.querySelector('p-fileupload input[type=file]');
    expect(input?.hasAttribute('capture')).toBe(false);
    expect(input?.getAttribute('aria-label')).not.toContain('Photo');
  });
});
