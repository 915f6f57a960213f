package org.yewledger.app.post;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
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
import org.yewledger.app.post.PostJson.AcceptedJson;
import org.yewledger.app.post.PostJson.AcceptedLinesJson;
import org.yewledger.app.post.PostJson.BookingJson;
import org.yewledger.app.post.PostJson.PairJson;
import org.yewledger.app.post.PostJson.PostedJson;
import org.yewledger.app.post.PostJson.StacksJson;
import org.yewledger.app.post.PostJson.TakeBackJson;
import org.yewledger.app.post.PostJson.TrustedPostJson;
import org.yewledger.app.post.PostJson.WouldBookJson;

/** Waiting lines and posting them. */
@RestController
@Tag(name = "post")
class PostController {
  private final StacksService stacks;
  private final PostService posts;
  private final PairService pairs;
  private final TakeBackService takeBacks;
  private final TrustedPosts trusted;

  PostController(
      StacksService stacks,
      PostService posts,
      PairService pairs,
      TakeBackService takeBacks,
      TrustedPosts trusted) {
    this.stacks = stacks;
    this.posts = posts;
    this.pairs = pairs;
    this.takeBacks = takeBacks;
    this.trusted = trusted;
  }

  @GetMapping("/api/waiting-lines")
  StacksJson waitingLines(@RequestParam @Nullable UUID book) {
    return stacks.stacks(book);
  }

  /** The entry that a waiting line would become with this booking. Books nothing. */
  @PostMapping("/api/waiting-lines/{id}/preview")
  WouldBookJson previewBooking(@PathVariable UUID id, @Valid @RequestBody BookingJson booking) {
    return WouldBookJson.of(posts.wouldBook(id, booking));
  }

  /** Posts lines as they were accepted, all or none. */
  @PostMapping("/api/waiting-lines/post")
  PostedJson post(@Valid @RequestBody AcceptedLinesJson request) {
    PostService.Posted posted =
        posts.post(request.lines().stream().map(AcceptedJson::toAccepted).toList());
    return new PostedJson(
        posted.made().stream().map(s -> s.entry().no()).toList(),
        posted.known().stream().map(EntryEntity::no).toList());
  }

  /** What trusted rules have posted in the last fourteen days, as far as it stands. */
  @GetMapping("/api/trusted-posts")
  List<TrustedPostJson> trustedPosts() {
    return trusted.ofLate();
  }

  /** Says that a waiting line is a posting already in the books. */
  @PostMapping("/api/waiting-lines/{id}/pair")
  PostedJson pair(@PathVariable UUID id, @Valid @RequestBody PairJson pair) {
    return new PostedJson(
        List.of(), List.of(pairs.pair(id, pair.version(), pair.postingId()).no()));
  }

  /** Takes posted lines back, so that they wait again. */
  @PostMapping("/api/waiting-lines/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@Valid @RequestBody TakeBackJson request) {
    takeBacks.takeBack(request.lineIds());
  }
}
