package org.yewledger.app.post;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.post.PostJson.AcceptedJson;
import org.yewledger.app.post.PostJson.AcceptedLinesJson;
import org.yewledger.app.post.PostJson.BookingJson;
import org.yewledger.app.post.PostJson.OpenEntryJson;
import org.yewledger.app.post.PostJson.PairJson;
import org.yewledger.app.post.PostJson.PostedJson;
import org.yewledger.app.post.PostJson.StacksJson;
import org.yewledger.app.post.PostJson.StayedJson;
import org.yewledger.app.post.PostJson.TakeBackJson;
import org.yewledger.app.post.PostJson.TrustedPostJson;
import org.yewledger.app.post.PostJson.WouldBookJson;
import org.yewledger.core.post.Reason;

/** Waiting lines and posting them. */
@RestController
@Tag(name = "post")
class PostController {
  private final StacksService stacks;
  private final PostService posts;
  private final TakeBackService takeBacks;
  private final TrustedPosts trusted;
  private final OpenEntries open;

  PostController(
      StacksService stacks,
      PostService posts,
      TakeBackService takeBacks,
      TrustedPosts trusted,
      OpenEntries open) {
    this.stacks = stacks;
    this.posts = posts;
    this.takeBacks = takeBacks;
    this.trusted = trusted;
    this.open = open;
  }

  /** Bank lines that wait to be posted, stacked by the reason of what is proposed. */
  @GetMapping("/api/waiting-lines")
  StacksJson waitingLines(
      @RequestParam @Nullable UUID book,
      @RequestParam(defaultValue = "") @Size(max = Texts.NAME) String text,
      @RequestParam(defaultValue = "DATE") StacksService.Order order,
      @RequestParam @Nullable Reason of,
      @RequestParam(defaultValue = "1") @Min(1) int page) {
    return stacks.stacks(book, text, order, new StacksService.Paged(of, page));
  }

  /** Open entries on a line's account that it may be, the likeliest first. */
  @GetMapping("/api/waiting-lines/{id}/entries")
  List<OpenEntryJson> entriesFor(
      @PathVariable UUID id, @RequestParam(defaultValue = "") @Size(max = Texts.NAME) String text) {
    return open.of(id, text);
  }

  /** The entry that a waiting line would become with this booking. Books nothing. */
  @PostMapping("/api/waiting-lines/{id}/preview")
  WouldBookJson previewBooking(@PathVariable UUID id, @Valid @RequestBody BookingJson booking) {
    return WouldBookJson.of(posts.wouldBook(id, booking));
  }

  /** Posts lines as they were accepted: all or none, or those that can be. */
  @PostMapping("/api/waiting-lines/post")
  PostedJson post(@Valid @RequestBody AcceptedLinesJson request) {
    return posted(
        request.lines().stream().map(AcceptedJson::toAccepted).toList(),
        Boolean.TRUE.equals(request.someMayStay()) ? Stays.allowed() : Stays.none());
  }

  private PostedJson posted(List<Accepted> accepted, Stays stays) {
    PostService.Posted posted = posts.post(accepted, stays);
    return new PostedJson(
        posted.made().stream().map(s -> s.entry().no()).toList(),
        posted.known().stream().map(EntryEntity::no).toList(),
        posted.stayed().stream().map(s -> new StayedJson(s.lineId(), s.why())).toList());
  }

  /** What trusted rules have posted in the last fourteen days, as far as it stands. */
  @GetMapping("/api/trusted-posts")
  List<TrustedPostJson> trustedPosts() {
    return trusted.ofLate();
  }

  /** Says that a waiting line is a posting already in the books. */
  @PostMapping("/api/waiting-lines/{id}/pair")
  PostedJson pair(@PathVariable UUID id, @Valid @RequestBody PairJson pair) {
    return posted(
        List.of(new Accepted(id, pair.version(), null, null, Accepted.Known.as(pair.postingId()))),
        Stays.none());
  }

  /** Takes the bank lines of an entry back, so that they wait again. */
  @PostMapping("/api/entries/{id}/take-lines-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeLinesBack(@PathVariable UUID id) {
    takeBacks.takeBackLinesOf(id);
  }

  /** Takes posted lines back, so that they wait again. */
  @PostMapping("/api/waiting-lines/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@Valid @RequestBody TakeBackJson request) {
    takeBacks.takeBack(request.lineIds());
  }
}
