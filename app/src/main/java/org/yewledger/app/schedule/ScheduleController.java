package org.yewledger.app.schedule;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.schedule.SchedulesJson.BegunScheduleJson;
import org.yewledger.app.schedule.SchedulesJson.DueEnteredJson;
import org.yewledger.app.schedule.SchedulesJson.DueItemsJson;
import org.yewledger.app.schedule.SchedulesJson.EnterDueJson;
import org.yewledger.app.schedule.SchedulesJson.HolidayJson;
import org.yewledger.app.schedule.SchedulesJson.RegularJson;
import org.yewledger.app.schedule.SchedulesJson.ScheduleDraftJson;
import org.yewledger.app.schedule.SchedulesJson.ScheduleOfJson;
import org.yewledger.app.schedule.SchedulesJson.SettleJson;

/** Schedules, their due items, and the days off that move them. */
@RestController
@Tag(name = "plan")
class ScheduleController {
  private final ScheduleService schedules;
  private final SettlingService settling;
  private final DueView due;
  private final RegularService regular;

  ScheduleController(
      ScheduleService schedules, SettlingService settling, DueView due, RegularService regular) {
    this.schedules = schedules;
    this.settling = settling;
    this.due = due;
    this.regular = regular;
  }

  /** All of a book, or of all, by their payees. */
  @GetMapping("/api/schedules")
  List<ScheduleOfJson> schedules(@RequestParam @Nullable UUID book) {
    return schedules.all(book);
  }

  /** What came regularly and no schedule expects. */
  @GetMapping("/api/schedules/found")
  List<RegularJson> found(@RequestParam @Nullable UUID book) {
    return regular.found(book);
  }

  /** A schedule as it would begin from an entry. Makes nothing. */
  @GetMapping("/api/entries/{id}/schedule")
  BegunScheduleJson like(@PathVariable UUID id) {
    return regular.like(id);
  }

  /** A schedule with its next days. */
  @GetMapping("/api/schedules/{id}")
  ScheduleOfJson schedule(@PathVariable UUID id) {
    return schedules.one(id);
  }

  /** Adds a schedule. */
  @PostMapping("/api/schedules")
  @ResponseStatus(HttpStatus.CREATED)
  ScheduleOfJson add(@Valid @RequestBody ScheduleDraftJson draft) {
    return schedules.one(schedules.add(draft));
  }

  /** Changes a schedule. */
  @PutMapping("/api/schedules/{id}")
  ScheduleOfJson change(@PathVariable UUID id, @Valid @RequestBody ScheduleDraftJson draft) {
    schedules.change(id, draft);
    return schedules.one(id);
  }

  /** Ends a schedule; entries stay. */
  @DeleteMapping("/api/schedules/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam int version) {
    schedules.remove(id, version);
  }

  /** What is overdue, and what falls due through a day. */
  @GetMapping("/api/due-items")
  DueItemsJson due(@RequestParam LocalDate through, @RequestParam @Nullable UUID book) {
    return due.through(through, book);
  }

  /** What a schedule brought so far and brings next. */
  @GetMapping("/api/schedules/{id}/due-items")
  DueItemsJson dueOf(@PathVariable UUID id) {
    return due.of(id);
  }

  /** Says what becomes of a due item of a schedule. */
  @PutMapping("/api/schedules/{id}/due-items")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void settle(@PathVariable UUID id, @Valid @RequestBody SettleJson wanted) {
    settling.settle(id, wanted);
  }

  /** Books a due item of a schedule. */
  @PostMapping("/api/schedules/{id}/due-items")
  @ResponseStatus(HttpStatus.CREATED)
  DueEnteredJson enter(@PathVariable UUID id, @Valid @RequestBody EnterDueJson wanted) {
    return settling.enter(id, wanted);
  }

  /** The holidays of the household: on these days nothing falls due. */
  @GetMapping("/api/holidays")
  List<HolidayJson> holidays() {
    return schedules.holidays();
  }

  /** Adds a holiday, or names it otherwise. */
  @PutMapping("/api/holidays")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepHoliday(@Valid @RequestBody HolidayJson holiday) {
    schedules.keepHoliday(holiday.day(), holiday.name());
  }

  /** Takes a holiday out of the calendar of the household. */
  @DeleteMapping("/api/holidays")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeHoliday(@RequestParam LocalDate day) {
    schedules.removeHoliday(day);
  }
}
