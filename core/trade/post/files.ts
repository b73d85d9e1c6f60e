// Made by scripts/install.mjs from the files of this folder.
import au from './au.json' with { type: 'json' };
import ca from './ca.json' with { type: 'json' };
import de from './de.json' with { type: 'json' };
import fr from './fr.json' with { type: 'json' };
import gb from './gb.json' with { type: 'json' };
import international from './international.json' with { type: 'json' };
import nl from './nl.json' with { type: 'json' };
import us from './us.json' with { type: 'json' };

export const FILES: readonly unknown[] = [au, ca, de, fr, gb, international, nl, us];
