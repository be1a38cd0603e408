package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import unimotus.core.esi.Direction;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.profile.OperatingMode;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** What of a drive stands in the image of its station, and in which mode it is commanded. */
public final class DriveImage implements DriveView {
  private static final int DIMENSION_FACTOR = 0x604C;

  /** The changes of state in their order; what is written on the way down sets nothing up. */
  private static final List<String> ON_THE_WAY_UP = List.of("IP", "PS", "SO");

  private final StationDesign design;
  private final StationSetup setup;
  private final ProcessImage image;
  private final ObjectDictionary dictionary;
  private final List<StartUpCommand> startUp;

  private DriveImage(StationDesign design, StationSetup setup) {
    this.design = design;
    this.setup = setup;
    this.image = ProcessImage.of(setup);
    this.dictionary = StartUpCheck.dictionary(setup);
    this.startUp = design.startUp();
  }

  /** The image of a station that is described; empty where it is not. */
  public static Optional<DriveImage> of(StationDesign design) {
    return design.known().map(s -> new DriveImage(design, s));
  }

  @Override
  public StationDesign design() {
    return design;
  }

  @Override
  public ProcessImage image() {
    return image;
  }

  @Override
  public List<StartUpCommand> startUp() {
    return startUp;
  }

  /** The mode, which a 0 would take away. */
  @Override
  public Map<ImagePlace, Integer> resting() {
    Optional<ImagePlace> place = modePlace();
    Optional<OperatingMode> mode = mode();
    return place.isPresent() && mode.isPresent()
        ? Map.of(place.get(), mode.get().number())
        : Map.of();
  }

  @Override
  public List<Integer> borrowed() {
    return List.of();
  }

  /** Where what chooses the mode is written each cycle; empty where it is not. */
  public Optional<ImagePlace> modePlace() {
    return place(Direction.OUTPUTS, ProfileObject.MODE);
  }

  /**
   * The mode the drive is put into: by the start-up list, by the only target there is where the
   * mode is written each cycle, or as delivered; empty where nothing says one.
   */
  public Optional<OperatingMode> mode() {
    OptionalLong number = told(ProfileObject.MODE);
    if (number.isPresent() && number.getAsLong() != 0) {
      return mode((byte) number.getAsLong());
    }
    List<OperatingMode> possible = new ArrayList<>();
    for (OperatingMode mode : List.of(OperatingMode.VELOCITY, OperatingMode.PROFILE_VELOCITY)) {
      if (place(Direction.OUTPUTS, target(mode).orElseThrow().index()).isPresent()) {
        possible.add(mode);
      }
    }
    return modePlace().isPresent() && possible.size() == 1
        ? Optional.of(possible.get(0))
        : Optional.empty();
  }

  static Optional<OperatingMode> mode(int number) {
    for (OperatingMode mode : OperatingMode.values()) {
      if (mode != OperatingMode.NONE && mode.number() == number) {
        return Optional.of(mode);
      }
    }
    return Optional.empty();
  }

  /** What an object stands at after the start: written, or as delivered; empty for not known. */
  OptionalLong told(int index) {
    OptionalLong last = OptionalLong.empty();
    for (String transition : ON_THE_WAY_UP) {
      for (StartUpCommand command : startUp) {
        boolean isIt = command.index() == index && command.subindex() == 0;
        if (isIt && command.transition().equals(transition)) {
          last = OptionalLong.of(command.number());
        }
      }
    }
    return last.isPresent() ? last : delivered(index);
  }

  private OptionalLong delivered(int index) {
    return dictionary
        .object(index)
        .flatMap(o -> o.part(0))
        .flatMap(p -> Optional.ofNullable(p.delivered()))
        .filter(hex -> !hex.isEmpty())
        .map(hex -> OptionalLong.of(new StartUpCommand("PS", index, 0, hex, "").number()))
        .orElseGet(OptionalLong::empty);
  }

  private static Optional<ProfileObject> target(OperatingMode mode) {
    return switch (mode) {
      case VELOCITY -> Optional.of(ProfileObject.VELOCITY_TARGET);
      case PROFILE_VELOCITY -> Optional.of(ProfileObject.PROFILE_TARGET);
      default -> Optional.empty();
    };
  }

  private Optional<ImagePlace> place(Direction direction, int index) {
    return image.side(direction).stream()
        .filter(p -> p.entry().index() == index && p.entry().subindex() <= 1)
        .findFirst();
  }

  /** A value of the image by what it is; the reference is the target of the mode. */
  @Override
  public Optional<ImageEntry> entry(ValueRole role) {
    for (ProfileObject object : ProfileObject.values()) {
      boolean meant =
          role != ValueRole.REFERENCE
              || mode().flatMap(DriveImage::target).equals(Optional.of(object));
      if (object.role() == role && meant) {
        Optional<ImageEntry> found = entry(object);
        if (found.isPresent()) {
          return found;
        }
      }
    }
    return Optional.empty();
  }

  /**
   * Every value it can be read or commanded by: those of the image, then those of its objects that
   * are not in it, in the order of their numbers. A target of another mode is none, nor what the
   * image tells already.
   */
  @Override
  public List<PlacedValue> values() {
    List<PlacedValue> inImage = new ArrayList<>();
    List<PlacedValue> others = new ArrayList<>();
    for (ProfileObject object : ProfileObject.values()) {
      boolean isOther =
          object.role() == ValueRole.REFERENCE
              && !mode().flatMap(DriveImage::target).equals(Optional.of(object));
      Optional<ImageEntry> entry = entry(object);
      if (entry.isPresent() && !isOther) {
        inImage.add(entry.get());
      } else if (!isOther
          && entry(object.role()).isEmpty()
          && dictionary.object(object.index()).isPresent()) {
        scaling(object)
            .ifPresent(
                s ->
                    others.add(new ObjectEntry(object.value(object.type(), s), object.index(), 0)));
      }
    }
    inImage.addAll(others);
    return inImage;
  }

  private Optional<ImageEntry> entry(ProfileObject object) {
    Direction direction = object.isWritten() ? Direction.OUTPUTS : Direction.INPUTS;
    return place(direction, object.index())
        .flatMap(
            p ->
                type(p, object)
                    .flatMap(
                        t ->
                            scaling(object)
                                .map(s -> new ImageEntry(object.value(t, s), p, direction))));
  }

  /** The type an entry has by its description, or by the profile where that says none. */
  private static Optional<ValueType> type(ImagePlace place, ProfileObject object) {
    ValueType plain = object.type();
    Optional<ValueType> type =
        switch (place.entry().dataType().toUpperCase(Locale.ROOT)) {
          case "INT" -> Optional.of(ValueType.SIGNED_16);
          case "UINT", "WORD" ->
              Optional.of(plain == ValueType.BITS_16 ? plain : ValueType.UNSIGNED_16);
          case "DINT" -> Optional.of(ValueType.SIGNED_32);
          case "UDINT", "DWORD" -> Optional.of(ValueType.UNSIGNED_32);
          case "REAL" -> Optional.of(ValueType.FLOAT_32);
          case "" -> Optional.of(plain);
          default -> Optional.empty();
        };
    return type.filter(t -> Short.SIZE * t.words() == place.entry().bitLength());
  }

  /** What one step is; empty where nothing says it. */
  private Optional<Scaling> scaling(ProfileObject object) {
    return switch (object) {
      case PROFILE_TARGET, PROFILE_ACTUAL -> {
        OptionalLong unit = told(VelocityUnit.OBJECT);
        yield unit.isPresent() ? VelocityUnit.of(unit.getAsLong()) : Optional.empty();
      }
      case VELOCITY_TARGET, VELOCITY_DEMAND, VELOCITY_ACTUAL ->
          isScaled() ? Optional.empty() : Optional.of(Scaling.of(1, "rpm"));
      case CURRENT -> Optional.of(Scaling.of(0.1, "%"));
      default -> Optional.of(Scaling.PLAIN);
    };
  }

  /** Whether the project writes a factor between rpm and the numbers of velocity mode. */
  private boolean isScaled() {
    return startUp.stream().anyMatch(c -> c.index() == DIMENSION_FACTOR);
  }

  /** Why no speed can be told over it, in words; empty where one can. */
  public Optional<String> fault() {
    String name = design.station().name();
    return unusable(ProfileObject.MODE)
        .or(this::noMode)
        .or(this::noTarget)
        .map(f -> "%s: %s".formatted(name, f));
  }

  /**
   * What keeps the station from having this image and mode, in words: doubts about its setup, an
   * image or a mode that the device does not take; empty where nothing does.
   *
   * @param modeObject the object that chooses the mode
   */
  Optional<String> unusable(int modeObject) {
    return setup.doubts().stream().map(SetupDoubt::seen).findFirst().or(() -> refused(modeObject));
  }

  private Optional<String> refused(int modeObject) {
    return StartUpCheck.of(setup, startUp).refused().stream()
        .filter(r -> r.command().index() == modeObject || r.isOfImage())
        .findFirst()
        .map(r -> "%s is refused at start-up: %s".formatted(r.command().object(), r.why()));
  }

  /**
   * Why a drive that is enabled would not follow: the outputs do not have what its mode takes as
   * target; empty where they do, or no mode is known.
   */
  public Optional<String> modeFault() {
    return mode()
        .filter(m -> !targets(m).isEmpty())
        .filter(m -> targets(m).stream().noneMatch(t -> place(Direction.OUTPUTS, t).isPresent()))
        .map(DriveImage::without);
  }

  private static String without(OperatingMode mode) {
    return "in %s mode (0x6060 = %d) it takes its target from %s, and the outputs do not have it"
        .formatted(
            mode.label(),
            mode.number(),
            targets(mode).stream().map("0x%04X"::formatted).collect(Collectors.joining(" or ")));
  }

  /** The objects a mode takes its target from (IEC 61800-7-201, from memory). */
  private static List<Integer> targets(OperatingMode mode) {
    return switch (mode) {
      case VELOCITY -> List.of(0x6042);
      case PROFILE_VELOCITY, CYCLIC_VELOCITY -> List.of(0x60FF);
      case PROFILE_POSITION, CYCLIC_POSITION -> List.of(0x607A);
      case PROFILE_TORQUE, CYCLIC_TORQUE -> List.of(0x6071);
      case INTERPOLATED_POSITION -> List.of(0x60C1);
      case NONE, HOMING -> List.of();
    };
  }

  private Optional<String> noMode() {
    Optional<OperatingMode> mode = mode();
    if (mode.isEmpty()) {
      return Optional.of(
          "nothing says its operating mode: 0x6060 is not written at start-up, and the image does not tell it");
    }
    return target(mode.get()).isPresent()
        ? Optional.empty()
        : Optional.of(
            "it is started in %s mode (0x6060 = %d); a path is calculated for velocity and profile velocity mode"
                .formatted(mode.get().label(), mode.get().number()));
  }

  private Optional<String> noTarget() {
    OperatingMode mode = mode().orElseThrow();
    ProfileObject target = target(mode).orElseThrow();
    Optional<ImagePlace> place = place(Direction.OUTPUTS, target.index());
    if (place.isEmpty()) {
      return Optional.of(without(mode));
    }
    if (type(place.get(), target).isEmpty()) {
      return Optional.of(
          "0x%04X is %s of %d bit in the image, which tells no speed"
              .formatted(
                  target.index(), place.get().entry().dataType(), place.get().entry().bitLength()));
    }
    return scaling(target).isPresent() ? Optional.empty() : Optional.of(noUnit(target));
  }

  private static String noUnit(ProfileObject target) {
    return target == ProfileObject.PROFILE_TARGET
        ? "what one step of 0x60FF is, is not known: 0x60A9 is neither described nor written at start-up as a count of revolutions"
        : "0x604C is written at start-up: what one step of 0x6042 is then, is not calculated";
  }
}
