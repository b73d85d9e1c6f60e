import { describe, expect, it } from 'vitest';
import { readJobFile, writeJobFile } from '../../../core/files/job-file';
import { readJob } from '../../../core/files/read-job';
import { adoptPiece, templateOf } from '../../../core/job/edits/adopt';
import { setFirmDetail } from '../../../core/job/edits/house';
import { addInk } from '../../../core/job/edits/inks';
import { makeJob } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { openDemo } from '../../kit';

const newIds = () => {
  let n = 0;
  return () => `t${++n}`;
};
const client = (): Job => {
  const job = setFirmDetail(makeJob('other', 'Other', '2026-11-02T09:00:00.000Z'), 'phone', '01632 960 555');
  return addInk(job, { id: 'mine', name: 'Fen Green', kind: 'process', cmyk: [0.1, 0.2, 0.9, 0] });
};

describe('a template', () => {
  const { job: demo, assets } = openDemo();
  it.each(demo.pieces.map(({ id }) => id))('of %s is a file of its own, and opens in any job', (id) => {
    const kept = templateOf(demo, id);
    const { job: from } = readJobFile(writeJobFile({ job: kept, assets }));
    const before = JSON.stringify(from);
    const job = readJob(JSON.parse(JSON.stringify(adoptPiece(client(), from, id, 'Copy', newIds()))));
    expect(job.pieces).toHaveLength(1);
    expect(job.pieces[0]!.name).toBe('Copy');
    expect(JSON.stringify(from)).toBe(before);
  });
  it('takes the client’s ink of the same name, and brings the others', () => {
    const job = adoptPiece(client(), demo, 'card', 'Card', newIds());
    expect(job.inks.filter(({ name }) => name.toLowerCase() === 'fen green').map(({ id }) => id)).toEqual(['mine']);
    expect(job.inks.map(({ name }) => name)).toContain('Copper');
    expect(JSON.stringify(job.pieces)).toContain('"ink":"mine"');
    expect(JSON.stringify(job.pieces)).not.toContain('"ink":"fen"');
  });
  it('says what the client’s house says, and nothing of the other’s', () => {
    const text = JSON.stringify(adoptPiece(client(), demo, 'open-day', 'Flyer', newIds()).pieces);
    expect(text).toContain('01632 960 555');
    expect(text).not.toContain('01632 960 110');
  });
  it('can be opened twice', () => {
    const id = newIds();
    const twice = adoptPiece(adoptPiece(client(), demo, 'postcard', 'One', id), demo, 'postcard', 'Two', id);
    expect(readJob(JSON.parse(JSON.stringify(twice))).pieces).toHaveLength(2);
  });
});
