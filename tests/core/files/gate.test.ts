import { describe, expect, it } from 'vitest';
import { type Review, review } from '../../../core/checks/review';
import { GateError, type Going, passGate, stopsOf } from '../../../core/files/gate';
import { ticketOf, ticketXjdf } from '../../../core/files/ticket';
import { setFrame } from '../../../core/job/edits/elements';
import type { Job } from '../../../core/job/schema';
import { checkKit, mm } from '../../kit';
import { area, jobOf, line } from '../checks/corpus/fault';

const looked = (job: Job): Review => review(job, job.pieces[0]!, { ...checkKit, plates: [], misspelt: new Map() });
const stops = (job: Job, going: Partial<Going> = {}, unread: Review['unread'] = []) =>
  stopsOf({ job, piece: job.pieces[0]!, ...going }, { ...looked(job), unread });
const thin = jobOf([line('r', 30, 30, 30, 0.05)]);
const keys = (job: Job): string[] => stops(job).flatMap(({ key }) => key ?? []);

describe('the gate', () => {
  it('stops an open error by its name, with what was measured, in one sentence', () => {
    const [stop, ...more] = stops(thin);
    expect(more).toEqual([]);
    expect(stop!.says).toMatch(/^.+, Front, .+: Thin.+\(0\.05 pt, needs 0\.\d+ pt\)\.$/);
    expect(() => passGate(stops(thin), [])).toThrow(stop!.says);
  });
  it('lets warnings and advice pass', () => {
    const job = jobOf([area('a', 0, -3, 20, 61)]);
    const mild = looked(job).open.map((each) => ({ ...each, severity: 'warn' as const }));
    expect(stopsOf({ job, piece: job.pieces[0]! }, { open: mild, standing: [], unread: [] })).toEqual([]);
  });
  it('lets an error go that somebody lets go, and tells of it', () => {
    expect(passGate(stops(thin), keys(thin))).toHaveLength(1);
    expect(passGate(stops(thin), 'all errors')).toHaveLength(1);
  });
  it('lets go of just that: not of what is worse by then, nor of another', () => {
    const before = keys(thin);
    const worse = setFrame(thin, 'r', { x: mm(30), y: mm(30), width: mm(30), height: 0.02 });
    expect(() => passGate(stops(worse), before)).toThrow(GateError);
    const two = jobOf([line('r', 30, 30, 30, 0.05), line('q', 30, 40, 30, 0.05)]);
    expect(() => passGate(stops(two), before)).toThrow(GateError);
  });
  it('never lets go of what is missing or could not be read', () => {
    const says = 'The picture fern.jpg is missing. Import it again, then export.';
    const held = stops(thin, {}, [{ what: 'picture', says }]);
    for (const letGo of [keys(thin), 'all errors'] as const) expect(() => passGate(held, letGo)).toThrow(says);
  });
  it('asks only of the sides that go', () => {
    const [front] = thin.pieces[0]!.faces;
    const back = { ...front!, id: 'back', name: 'Back', elements: [] };
    const job = { ...thin, pieces: [{ ...thin.pieces[0]!, faces: [front!, back] }] };
    const lost = [{ what: 'picture' as const, face: 'back', says: 'missing' }];
    expect(stops(job, { faces: [1] })).toEqual([]);
    expect(stops(job, { faces: [0] }, lost)).toHaveLength(1);
    expect(stops(job, { faces: [1] }, lost)).toMatchObject([{ says: 'missing' }]);
  });
  it('writes what was let go into the ticket, in both kinds', () => {
    const gone = passGate(stops(thin), 'all errors');
    const ticket = ticketOf(thin, thin.pieces, {}, gone);
    expect(ticket.pieces[0]!.openErrors).toEqual(gone.map(({ says }) => says));
    expect(ticketXjdf(ticket)).toContain('Exported with an open error.');
    expect(ticketOf(thin, thin.pieces).pieces[0]).not.toHaveProperty('openErrors');
  });
});
