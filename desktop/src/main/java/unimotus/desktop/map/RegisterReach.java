package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordProfile;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.PlacedValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.registers.RegisterConnection;
import unimotus.workbench.capture.FrameRecorder;

/** A drive reached through the registers of its map; of a simulated one where it has none. */
final class RegisterReach implements Reach {
  private final RouteFields where = new RouteFields();
  private final ChoiceField<WordProfile> profiles;
  private final VBox node;
  private WordProfile profile = DriveProfiles.CIA_402_VELOCITY;

  /** Why the words of the axis cannot be used; null where they can, or others were chosen here. */
  private @Nullable String profileFault;

  private RegisterMap map = SimulatedRegisters.of(Optional.empty());
  private boolean isOwn;
  private boolean isPositioned;
  private String shownFor = "";

  RegisterReach(Desk desk) {
    profiles = new ChoiceField<>("words", DriveProfiles.ofSpeed(), WordProfile::name, this::choose);
    profiles.setId("live-profile");
    profiles.show(profile);
    node =
        new VBox(
            8,
            where,
            profiles,
            new StandInCard(
                desk,
                (route, placed) -> {
                  where.show(route);
                  where.showUnit(placed.number());
                }));
  }

  /** Where a drive is, for others who look for it. */
  RouteFields where() {
    return where;
  }

  private void choose(WordProfile next) {
    profile = next;
    profileFault = null;
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(Optional<AxisAssembly> axis) {
    Optional<FieldbusLink> link = axis.map(a -> a.record().fieldbus());
    isOwn = link.isPresent() && !link.get().registers().isEmpty();
    map = isOwn ? link.get().map() : SimulatedRegisters.of(axis);
    isPositioned = axis.filter(AxisAssembly::isPositioned).isPresent();
    List<WordProfile> offered = new ArrayList<>(DriveProfiles.ofSpeed());
    link.flatMap(FieldbusLink::usableProfile)
        .filter(p -> !offered.contains(p))
        .ifPresent(offered::add);
    profiles.getItems().setAll(offered);
    String now =
        axis.map(a -> a.axis().id()).orElse("") + link.map(FieldbusLink::profile).orElse("");
    if (!now.equals(shownFor)) {
      shownFor = now;
      profile = link.flatMap(FieldbusLink::usableProfile).orElse(DriveProfiles.CIA_402_VELOCITY);
      profileFault = link.flatMap(FieldbusLink::profileFault).orElse(null);
      if (isOwn) {
        where.showUnit(link.get().unit());
      }
    }
    profiles.show(profile);
  }

  @Override
  public List<PlacedValue> values() {
    return List.copyOf(map.entries());
  }

  @Override
  public boolean isWritable(PlacedValue value) {
    return value.access().isWritable()
        && value instanceof RegisterEntry entry
        && entry.table().mostWritten() > 0;
  }

  @Override
  public String said() {
    return isOwn
        ? "Reads the %d registers of this drive.".formatted(map.entries().size())
        : "Reads the registers of a simulated drive: none are entered for this drive.";
  }

  @Override
  public String saidJoined() {
    return "Connected, %d registers; changes of the map apply from the next connection."
        .formatted(map.entries().size());
  }

  @Override
  public WordProfile profile() {
    if (profileFault != null) {
      throw new IllegalArgumentException(
          profileFault + ". Choose the words here, or complete them under Words.");
    }
    return profile;
  }

  @Override
  public DriveConnection connect(FrameRecorder recorder) {
    RegisterConnection connection = RegisterConnection.to(where.target(), map, recorder);
    return isPositioned ? connection.ofPositions() : connection;
  }

  @Override
  public String loss(Optional<AxisAssembly> axis) {
    return axis.filter(a -> isOwn)
        .map(LinkLoss::of)
        .map(LinkLoss::words)
        .orElse("Its own time-out is not known: take it that the motor runs on.");
  }
}
