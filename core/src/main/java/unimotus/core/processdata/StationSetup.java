package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.Slots;
import unimotus.core.esi.Slots.Slot;
import unimotus.core.esi.StartUpCommand;

/**
 * A device with what stands in its slots and what is in its image.
 *
 * @param device the device in its revision
 * @param modules what stands in each slot, from 0; null for an empty one
 * @param chosen the process data objects in the image, by number; null for those as delivered
 */
public record StationSetup(
    EsiDevice device, List<@Nullable EsiModule> modules, @Nullable Set<Integer> chosen) {

  /** Takes copies. */
  public StationSetup {
    modules = Collections.unmodifiableList(new ArrayList<>(modules));
    chosen = chosen == null ? null : Set.copyOf(chosen);
  }

  /** A device as it is delivered. */
  public static StationSetup delivered(DeviceDescription description, EsiDevice device) {
    List<@Nullable EsiModule> modules = new ArrayList<>();
    for (Slot slot : slots(device)) {
      Long ident = slot.delivered();
      modules.add(ident == null ? null : description.module(ident).orElse(null));
    }
    return new StationSetup(device, modules, null);
  }

  private static List<Slot> slots(EsiDevice device) {
    Slots slots = device.slots();
    return slots == null ? List.of() : slots.slots();
  }

  /** With another module in a slot; null for none. */
  public StationSetup withModule(int slot, @Nullable EsiModule module) {
    List<@Nullable EsiModule> next = new ArrayList<>(modules);
    next.set(slot, module);
    return new StationSetup(device, next, chosen);
  }

  /** With exactly these process data objects in the image. */
  public StationSetup withChosen(Set<Integer> pdos) {
    return new StationSetup(device, modules, pdos);
  }

  /** Every process data object there is, with the numbers it has in its slot. */
  public List<Pdo> available() {
    List<Pdo> all = new ArrayList<>(device.pdos());
    Slots slots = device.slots();
    for (int slot = 0; slot < modules.size(); slot++) {
      EsiModule module = modules.get(slot);
      if (module != null && slots != null) {
        for (Pdo pdo : module.pdos()) {
          all.add(inSlot(pdo, slot, slots));
        }
      }
    }
    return all;
  }

  private static Pdo inSlot(Pdo pdo, int slot, Slots slots) {
    return pdo.withIndex(pdo.movesWithSlot() ? pdo.index() + slot * slots.pdoStep() : pdo.index())
        .withEntries(
            pdo.entries().stream()
                .map(e -> e.movesWithSlot() ? e.withIndex(e.index() + slot * slots.indexStep()) : e)
                .toList());
  }

  /** What the device and its modules want to be written at start-up, in that order. */
  public List<StartUpCommand> startUp() {
    List<StartUpCommand> commands = new ArrayList<>(device.startUp());
    for (EsiModule module : modules) {
      if (module != null) {
        commands.addAll(module.startUp());
      }
    }
    return commands;
  }

  /** What is in the image, in the order of the image. */
  public List<Pdo> assigned(Direction direction) {
    Set<Integer> wanted = chosen;
    return available().stream()
        .filter(p -> p.direction() == direction)
        .filter(p -> wanted == null ? p.syncManager() != null : wanted.contains(p.index()))
        .toList();
  }

  /** What cannot be as it was chosen; empty where all is well. */
  public List<SetupDoubt> doubts() {
    List<SetupDoubt> doubts = new ArrayList<>();
    slotDoubts(doubts);
    List<Pdo> all = available();
    Set<Integer> in = new HashSet<>();
    for (Direction direction : Direction.values()) {
      assigned(direction).forEach(p -> in.add(p.index()));
    }
    for (Pdo pdo : all) {
      if (pdo.mandatory() && !in.contains(pdo.index())) {
        doubts.add(
            new SetupDoubt(
                SetupDoubt.Kind.MANDATORY,
                "%s is not in the image and cannot be left out".formatted(called(pdo)),
                "Put it in."));
      }
    }
    exclusions(all, in, doubts);
    imageNotTold(all, in, doubts);
    Set<Integer> unknown = new HashSet<>(Objects.requireNonNullElse(chosen, Set.of()));
    all.forEach(p -> unknown.remove(p.index()));
    unknown.stream()
        .sorted()
        .forEach(
            p ->
                doubts.add(
                    new SetupDoubt(
                        SetupDoubt.Kind.UNKNOWN,
                        "0x%04X is chosen; %s has no such process data object"
                            .formatted(p, device.type()),
                        "Choose another, or the revision that has it.")));
    return doubts;
  }

  /** An image that is not the delivered one has to be told, and not every device can be. */
  private void imageNotTold(List<Pdo> all, Set<Integer> in, List<SetupDoubt> doubts) {
    Mailbox mailbox = device.mailbox();
    Set<Integer> delivered = new HashSet<>();
    all.stream().filter(p -> p.syncManager() != null).forEach(p -> delivered.add(p.index()));
    if (!in.equals(delivered) && (mailbox == null || !mailbox.assigns())) {
      doubts.add(
          new SetupDoubt(
              SetupDoubt.Kind.NOT_TOLD,
              "%s takes its image as delivered only, and another one is chosen"
                  .formatted(device.type()),
              "Take the image as delivered."));
    }
  }

  private static void exclusions(List<Pdo> all, Set<Integer> in, List<SetupDoubt> doubts) {
    for (Pdo pdo : all) {
      for (int other : pdo.excludes()) {
        if (in.contains(pdo.index()) && in.contains(other)) {
          doubts.add(
              new SetupDoubt(
                  SetupDoubt.Kind.EXCLUDED,
                  "%s and 0x%04X cannot be in the image together".formatted(called(pdo), other),
                  "Take one of them out."));
        }
      }
    }
  }

  private void slotDoubts(List<SetupDoubt> doubts) {
    List<Slot> slots = slots(device);
    for (int i = 0; i < slots.size(); i++) {
      Slot slot = slots.get(i);
      EsiModule module = i < modules.size() ? modules.get(i) : null;
      if (module == null && slot.least() > 0) {
        doubts.add(
            new SetupDoubt(
                SetupDoubt.Kind.SLOT,
                "slot %d (%s) is empty and needs a module".formatted(i, slot.name()),
                "Choose a module that fits."));
      }
      if (module != null && !slot.allowed().contains(module.ident())) {
        doubts.add(
            new SetupDoubt(
                SetupDoubt.Kind.SLOT,
                "module %s (0x%08X) does not fit into slot %d (%s)"
                    .formatted(module.type(), module.ident(), i, slot.name()),
                "Choose a module that fits."));
      }
    }
  }

  private static String called(Pdo pdo) {
    return "0x%04X %s".formatted(pdo.index(), pdo.name()).strip();
  }
}
