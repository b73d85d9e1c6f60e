import UserRound from 'lucide-react/icons/user-round';
import { useState } from 'react';
import type { Person } from '../../../core/job/details';
import { addAsset } from '../../../core/job/edits/elements';
import { changePerson } from '../../../core/job/edits/house';
import { intake } from '../../../workers/intake';
import { useAssetUrl } from '../../bench/use-asset-url';
import { FileChooser } from '../../parts/FileChooser';
import { PICTURE_KINDS } from '../../parts/picture-kinds';
import { act } from '../../store/session';

/** A person's picture, and the way to give them one. */
export function PersonPicture({ person }: { person: Person }) {
  const url = useAssetUrl(person.picture);
  const [problem, setProblem] = useState<string>();
  async function take(file: File): Promise<void> {
    try {
      const { hash, asset } = await intake().takeIn(file, file.name);
      act('Picture of a person', (job) => changePerson(addAsset(job, hash, asset), person.id, { picture: hash }));
      setProblem(undefined);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <span className="flex items-center gap-1">
      <FileChooser
        label={`Picture of ${person.name}`}
        accept={PICTURE_KINDS}
        onFile={(file) => void take(file)}
        className="btn btn-ghost btn-sm btn-square overflow-hidden p-0"
      >
        {url ? (
          <img src={url} alt={`${person.name}`} className="size-8 object-cover" />
        ) : (
          <UserRound size={17} aria-label={`Give ${person.name} a picture`} />
        )}
      </FileChooser>
      {problem && (
        <span role="alert" className="text-[13px] text-error">
          {problem}
        </span>
      )}
    </span>
  );
}
