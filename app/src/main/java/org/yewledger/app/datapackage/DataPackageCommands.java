package org.yewledger.app.datapackage;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.WholeFile;
import org.yewledger.core.Refusal;
import org.yewledger.formats.UnreadableFile;

/**
 * What is done with data packages from the command line, by whoever keeps the machine: {@code
 * take-out FILE EMAIL [HOUSEHOLD]} and {@code take-in FILE EMAIL}.
 */
@Component
public class DataPackageCommands {
  private static final Set<String> ALL = Set.of("take-out", "take-in");

  /** Said to whoever keeps the machine. */
  private static final class NotDone extends RuntimeException {
    private static final long serialVersionUID = 1L;

    NotDone(String words) {
      super(words);
    }
  }

  private record Owned(UUID personId, UUID householdId, String name) {}

  private final PackageWriting writing;
  private final PackageTaking taking;
  private final HouseholdFounding founding;
  private final JdbcClient jdbc;

  DataPackageCommands(
      PackageWriting writing, PackageTaking taking, HouseholdFounding founding, JdbcClient jdbc) {
    this.writing = writing;
    this.taking = taking;
    this.founding = founding;
    this.jdbc = jdbc;
  }

  /** Whether arguments name one of these, instead of settings of the application. */
  public static boolean isOne(String[] args) {
    return args.length > 0 && ALL.contains(args[0]);
  }

  /**
   * Does it and says what came of it.
   *
   * @param args without settings of the application
   * @return 0 if it is done, 1 if not
   */
  public int run(List<String> args, PrintStream out) {
    try {
      if (args.size() == 3 && args.getFirst().equals("take-in")) {
        takeIn(Path.of(args.get(1)), args.get(2), out);
      } else if (args.getFirst().equals("take-out") && (args.size() == 3 || args.size() == 4)) {
        takeOut(Path.of(args.get(1)), args.get(2), args.size() == 4 ? args.get(3) : "", out);
      } else {
        throw new NotDone("There are: take-out FILE EMAIL [HOUSEHOLD], take-in FILE EMAIL.");
      }
      return 0;
    } catch (NotDone | Refusal | UnreadableFile refused) {
      out.println(refused.getMessage());
    } catch (IOException | UncheckedIOException broken) {
      out.println("The file cannot be read or written: " + broken.getMessage());
    }
    return 1;
  }

  private void takeOut(Path file, String email, String household, PrintStream out)
      throws IOException {
    if (Files.exists(file)) {
      throw new NotDone("%s is there already. Choose another name.".formatted(file));
    }
    SignedIn owner = owner(email, household);
    String name =
        WholeFile.write(
            file, begun -> SignedIn.as(owner, () -> written(begun)), WholeFile.ONLY_THE_OWNERS);
    out.printf("%s holds %s.%n", file, name);
  }

  private String written(Path file) {
    try (OutputStream to = Files.newOutputStream(file)) {
      return writing.write(to);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Into a household that is begun for it, with its person as the owner. */
  private void takeIn(Path file, String email, PrintStream out) throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new NotDone("There is no file %s.".formatted(file));
    }
    List<UUID> people = people(email);
    if (people.size() > 1) {
      throw new NotDone(
          "Several people sign in with %s. One of them begins a household and takes it in there."
              .formatted(email));
    }
    SignedIn owner = HouseholdFounding.newOwner(people.getFirst(), email, email, Ids.next());
    PackageTaking.TakenIn in =
        founding.as(
            owner,
            () -> {
              founding.foundAnother("Taken in", "Etc/UTC", owner);
              try {
                return taking.takeIn(file);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
    out.printf("%s is taken in: %d entries. %s owns it.%n", in.name(), in.entries(), email);
  }

  private SignedIn owner(String email, String household) {
    List<Owned> owned = people(email).stream().flatMap(this::ownedBy).toList();
    List<Owned> fits =
        owned.stream().filter(one -> household.isEmpty() || one.name().equals(household)).toList();
    if (fits.size() != 1) {
      throw new NotDone(
          "%s owns: %s. Say which by its name."
              .formatted(email, owned.stream().map(Owned::name).collect(Collectors.joining(", "))));
    }
    Owned one = fits.getFirst();
    return new SignedIn(one.personId(), email, email, one.householdId(), Role.OWNER);
  }

  private Stream<Owned> ownedBy(UUID personId) {
    return jdbc
        .sql("select household_id, name, role from households_of(?) where role = 'OWNER'")
        .param(personId)
        .query((row, no) -> new Owned(personId, row.getObject(1, UUID.class), row.getString(2)))
        .list()
        .stream();
  }

  /** Several may have one address. */
  private List<UUID> people(String email) {
    List<UUID> people =
        jdbc.sql("select person_id from person_signing_in(?)")
            .param(email)
            .query((row, no) -> row.getObject(1, UUID.class))
            .list();
    if (people.isEmpty()) {
      throw new NotDone("Nobody has the email %s here.".formatted(email));
    }
    return people;
  }
}
