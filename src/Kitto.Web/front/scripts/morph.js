// What stands is made like what came: what did not move is not drawn, laid out or focused again.
import { Idiomorph } from 'idiomorph';

const callbacks = {
  beforeNodeMorphed(now, fresh) {
    // What other ways come to is asked for by itself; until then it stays, marked as old.
    if (now.id === 'what-if') {
      now.setAttribute('aria-busy', 'true');
      return false;
    }
    return !now.isEqualNode(fresh);
  },
  // What she opened stays open.
  beforeAttributeUpdated: (name, node, what) => !(name === 'open' && what === 'remove'),
};

export const morph = (now, fresh) => Idiomorph.morph(now, fresh, { morphStyle: 'outerHTML', restoreFocus: false, callbacks });
