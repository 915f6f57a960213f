package org.yewledger.app.act;

import java.util.UUID;

/** Works out anew what an undo brought back without it, within the transaction of the undo. */
public interface AfterUndo {
  /**
   * @param actId the act that was taken back
   */
  void undone(UUID actId);
}
