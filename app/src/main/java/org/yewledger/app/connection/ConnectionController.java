package org.yewledger.app.connection;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.net.URI;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.connection.ConnectionJson.ConnectJson;
import org.yewledger.app.connection.ConnectionJson.ConnectionDetailsJson;
import org.yewledger.app.connection.ConnectionJson.ConsentPageJson;
import org.yewledger.app.connection.ConnectionJson.InstitutionJson;
import org.yewledger.app.connection.ConnectionJson.MappingJson;
import org.yewledger.app.connection.ConnectionJson.MappingsJson;
import org.yewledger.app.connection.ConnectionJson.ReturnJson;
import org.yewledger.app.connection.ConnectionJson.ScheduleJson;
import org.yewledger.app.platform.OwnAddress;

/** Connections to banks. */
@RestController
@Tag(name = "connections")
class ConnectionController {
  private final ConnectionService connections;
  private final ConnectionView view;
  private final OwnAddress address;

  ConnectionController(ConnectionService connections, ConnectionView view, OwnAddress address) {
    this.connections = connections;
    this.view = view;
    this.address = address;
  }

  /** Institutions by any part of name, town or code. */
  @GetMapping("/api/institutions")
  List<InstitutionJson> institutions(@RequestParam(defaultValue = "") String words) {
    return connections.institutions(words).stream().map(InstitutionJson::of).toList();
  }

  /** The connections to banks: what they fetched, and until when the consent holds. */
  @GetMapping("/api/connections")
  List<ConnectionDetailsJson> all() {
    return view.all();
  }

  /** Asks a bank for consent; the person then goes to the page in the answer. */
  @PostMapping("/api/connections")
  @ResponseStatus(HttpStatus.CREATED)
  ConsentPageJson connect(@RequestBody @Valid ConnectJson wanted) {
    return new ConsentPageJson(
        connections
            .begin(wanted.institutionId(), wanted.schedule().toSchedule(), here())
            .toString());
  }

  /** The person is back from the bank. */
  @PostMapping("/api/connections/{id}/returned")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void returned(@PathVariable UUID id, @RequestBody @Valid ReturnJson back) {
    connections.returned(id, back.state());
  }

  /** Settles where lines go and from when on. */
  @PutMapping("/api/connections/{id}/accounts")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void map(@PathVariable UUID id, @RequestBody @Valid MappingsJson mappings) {
    connections.map(id, mappings.accounts().stream().map(MappingJson::toMapping).toList());
  }

  /** Fetches now what the bank has. */
  @PostMapping("/api/connections/{id}/sync")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void syncNow(@PathVariable UUID id) {
    connections.syncNow(id);
  }

  /** Says at what time of the day a connection fetches by itself. */
  @PutMapping("/api/connections/{id}/schedule")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void refresh(@PathVariable UUID id, @RequestBody @Valid ScheduleJson schedule) {
    connections.refresh(id, schedule.toSchedule());
  }

  /** Asks for consent again. */
  @PostMapping("/api/connections/{id}/renew")
  ConsentPageJson renew(@PathVariable UUID id) {
    return new ConsentPageJson(connections.renew(id, here()).toString());
  }

  /** Disconnects; what was fetched stays. */
  @DeleteMapping("/api/connections/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void disconnect(@PathVariable UUID id) {
    connections.disconnect(id);
  }

  @ExceptionHandler
  ProblemDetail bankProblem(BankProblem e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_GATEWAY, e.getMessage() + " Nothing was changed; try again later.");
    problem.setType(URI.create("urn:yew:problem:bank"));
    return problem;
  }

  private URI here() {
    return address.here();
  }
}
