package org.yewledger.app.act;

import java.util.UUID;

/** Something that is written down with every act, in its transaction. */
public interface WithAct {
  void begun(UUID actId);
}
