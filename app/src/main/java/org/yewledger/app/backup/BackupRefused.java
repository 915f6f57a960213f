package org.yewledger.app.backup;

/** A backup that cannot be written or read, in words for whoever keeps the machine. */
class BackupRefused extends Exception {
  private static final long serialVersionUID = 1L;

  BackupRefused(String words) {
    super(words);
  }

  BackupRefused(String words, Throwable cause) {
    super(words, cause);
  }
}
