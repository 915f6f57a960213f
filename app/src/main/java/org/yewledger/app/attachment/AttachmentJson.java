package org.yewledger.app.attachment;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.attachment.AttachmentType;

/**
 * A file that is kept.
 *
 * @param version to be sent back when it is put elsewhere or removed
 * @param entryId the entry that it is attached to; null if it waits for one
 * @param lineId the bank line with which it came; it goes to the entry that the line becomes
 * @param statementId the statement that it is
 */
public record AttachmentJson(
    UUID id,
    int version,
    String name,
    AttachmentType type,
    int bytes,
    Instant arrivedAt,
    @Nullable UUID entryId,
    @Nullable UUID lineId,
    @Nullable UUID statementId) {}
