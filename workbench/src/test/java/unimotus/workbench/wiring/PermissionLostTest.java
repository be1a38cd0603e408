package unimotus.workbench.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.interlock.PermissionLost;
import unimotus.core.interlock.PermissionLost.OpenContact;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.formats.sheet.SheetLibrary;

/**
 * Permissions over random chains of switches and relays. What opens them follows from how a chain
 * was put together; the circuit is not asked for it.
 */
class PermissionLostTest {
  private static final String SUPPLY = "drive:P24";
  private static final Map<String, String> OPERATED =
      Map.of("emergency-stop-button", "pressed", "guard-switch", "open");

  /** A chain under construction, with what each switch should be found to open. */
  private static final class Chain {
    private Project project = line();
    private final Map<String, List<String>> opens = new LinkedHashMap<>();
    private final Random random;
    private int count;

    Chain(Random random) {
      this.random = random;
    }

    /** The factory jumper is out, or no wire would count. */
    private static Project line() {
      Project bare = unimotus.core.Lines.bare("controller-modular", "terminal-drive-4kw");
      Drive drive = bare.drives().get(0);
      return bare.with(drive.withSelectors(Map.of("sto.jumper", "removed")));
    }

    String part(String sheet) {
      String id = "p" + count++;
      project = project.with(new Part(id, "Device " + id, sheet, Map.of()));
      return id;
    }

    void wire(String from, String to) {
      project = unimotus.core.Lines.plus(project, from + " – " + to);
    }

    /** Adds a switch after a terminal; where the chain goes on. */
    String hand(String from, List<String> behind) {
      String sheet = random.nextBoolean() ? "emergency-stop-button" : "guard-switch";
      String id = part(sheet);
      wire(from, id + ":11");
      List<String> way = new ArrayList<>(behind);
      way.add("Device %s 12–11".formatted(id));
      opens.put("Device %s %s".formatted(id, OPERATED.get(sheet)), way);
      return id + ":12";
    }

    /** Adds the contact of a relay whose coil hangs behind switches of its own. */
    String relay(String from) {
      String id = part("relay-two-changeover");
      wire(from, id + ":11");
      wire(id + ":A2", "drive:COM");
      List<String> way = List.of("Device %s 14–11".formatted(id));
      String at = SUPPLY;
      int switches = 1 + random.nextInt(2);
      for (int i = 0; i < switches; i++) {
        at = hand(at, way);
      }
      wire(at, id + ":A1");
      return id + ":14";
    }

    AxisAssembly axis() {
      return AxisAssembly.of(project, SheetLibrary.catalogue(), project.axes().get(0))
          .orElseThrow();
    }
  }

  private static Chain chain(Random random) {
    Chain chain = new Chain(random);
    String at = SUPPLY;
    int length = 1 + random.nextInt(3);
    for (int i = 0; i < length; i++) {
      at = random.nextBoolean() ? chain.hand(at, List.of()) : chain.relay(at);
    }
    chain.wire(at, "drive:STO1");
    return chain;
  }

  private static Map<String, List<String>> found(AxisAssembly axis) {
    Map<String, List<String>> found = new LinkedHashMap<>();
    for (PermissionLost each : PermissionLost.all(axis)) {
      found.put(each.state(), contacts(each));
    }
    return found;
  }

  private static List<String> contacts(PermissionLost lost) {
    return lost.contacts().stream().map(c -> c.device() + " " + c.contact()).toList();
  }

  @Test
  void theOpenContactIsNamedFromTheInputBack() {
    Random random = new Random(5);
    int all = Campaign.size(2000, 60);
    for (int n = 0; n < all; n++) {
      Chain chain = chain(random);
      assertThat(found(chain.axis())).as("chain %d", n).isEqualTo(chain.opens);
    }
  }

  /** A wire across a contact: that switch takes nothing away any more, and is not named. */
  @Test
  void aBridgedSwitchIsNotNamed() {
    Random random = new Random(6);
    int all = Campaign.size(500, 20);
    for (int n = 0; n < all; n++) {
      Chain chain = chain(random);
      String bridged = new ArrayList<>(chain.opens.keySet()).get(0);
      String id = bridged.split(" ")[1];
      chain.wire(id + ":11", id + ":12");
      chain.opens.remove(bridged);
      assertThat(found(chain.axis())).as("chain %d", n).isEqualTo(chain.opens);
    }
  }

  @Test
  void whatIsMissingAtRestIsToldFirst() {
    Chain wrongContact = new Chain(new Random(1));
    String relay = wrongContact.part("relay-two-changeover");
    wrongContact.wire(SUPPLY, relay + ":11");
    wrongContact.wire(SUPPLY, relay + ":A1");
    wrongContact.wire(relay + ":A2", "drive:COM");
    wrongContact.wire(relay + ":12", "drive:STO1");
    PermissionLost lost = PermissionLost.all(wrongContact.axis()).get(0);
    assertThat(lost.state()).isEqualTo("at rest");
    assertThat(contacts(lost)).containsExactly("Device p0 12–11");
    OpenContact open = lost.contacts().get(0);
    assertThat(open.position()).isEqualTo("energised");
    assertThat(open.before()).isBetween(23.0, 24.1);
    assertThat(open.behind()).isBetween(-0.1, 0.1);
    assertThat(lost.text()).contains("drive:STO1 reads", "contact 12–11 open");
  }

  @Test
  void aCutWireIsNoContact() {
    Chain cut = new Chain(new Random(1));
    String end = cut.hand(SUPPLY, List.of());
    assertThat(PermissionLost.all(cut.axis())).as("nothing leads to a permission").isEmpty();
    cut.wire("drive:DI1", "drive:STO1");
    PermissionLost lost = PermissionLost.all(cut.axis()).get(0);
    assertThat(lost.contacts()).isEmpty();
    assertThat(lost.text()).contains("follow its wires");
    assertThat(end).isNotEmpty();
  }
}
