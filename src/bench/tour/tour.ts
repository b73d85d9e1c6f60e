import { type DriveStep, driver } from 'driver.js';
import 'driver.js/dist/driver.css';

/** What is shown, and what of the room it is about. Each in a sentence or two: one can leave at any step. */
const STEPS: readonly (readonly [
  about: string,
  title: string,
  says: string,
  side: 'right' | 'left' | 'top' | 'bottom',
])[] = [
  [
    '[aria-label="Stage"]',
    'The piece',
    'A business card to its exact size. Hatched is the bleed, which is cut away; the wash inside is where text might be cut. Click anything to move or change it.',
    'right',
  ],
  [
    '[aria-label="Contents"]',
    'Contents',
    'All that lies on this side, top first. Below, type text or add pictures, shapes, codes and logos.',
    'right',
  ],
  [
    '[aria-label="Details"]',
    'Details',
    'What is selected, in the trade’s units. Fields take sums and fractions: 1 1/8 in + 2 mm.',
    'left',
  ],
  [
    '[aria-label="Status bar"]',
    'Status bar',
    'Bleed, safe zone, resolution and ink, measured as you work. Findings are what a print shop would send back, most with a fix.',
    'top',
  ],
  [
    '[data-tour="as-cut"]',
    'As cut',
    'Shows the finished piece and nothing else. The cut test in the status bar cuts it hundreds of times, as badly as shops do.',
    'bottom',
  ],
  [
    '[aria-label="Rooms"]',
    'The other rooms',
    'The set, the house style, the plates, the press sheet. Hand-off writes the file, and reads it back before it leaves.',
    'bottom',
  ],
];

/** Goes through the room step by step; Escape, the cross or a click beside it leaves. */
export function startTour(onEnd: () => void): void {
  const steps = STEPS.map(
    ([element, title, description, side]): DriveStep => ({ element, popover: { title, description, side } }),
  );
  driver({
    steps,
    animate: !matchMedia('(prefers-reduced-motion: reduce)').matches,
    showProgress: true,
    progressText: '{{current}} of {{total}}',
    nextBtnText: 'Next',
    prevBtnText: 'Back',
    doneBtnText: 'Finish',
    stagePadding: 2,
    stageRadius: 4,
    popoverClass: 'tour',
    // The package's title is a header, which would be a second one of the page.
    onPopoverRender: ({ title }) => {
      const heading = document.createElement('h2');
      heading.id = title.id;
      heading.className = title.className;
      heading.textContent = title.textContent;
      title.replaceWith(heading);
    },
    onDestroyed: onEnd,
  }).drive();
}
