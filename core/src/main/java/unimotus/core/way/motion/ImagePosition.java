package unimotus.core.way.motion;

import java.util.List;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.processdata.ServoImage;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.proof.Prediction;
import unimotus.core.way.station.StationCause;
import unimotus.core.way.station.StationRows;

/**
 * Positions in the image of a station.
 *
 * @param image the axis in it
 */
record ImagePosition(ServoImage image) implements PositionPlace {
  private static final int FOLLOWING = 0x60F4;

  private String place(int object) {
    return "object 0x%04X of %s".formatted(object, image.station());
  }

  @Override
  public String target() {
    return place(image.target());
  }

  @Override
  public Optional<String> actual() {
    return Optional.of(place(image.actual()));
  }

  /** The object where the drive has it, else what its own tool or the motion axis shows. */
  @Override
  public Optional<String> following() {
    int object = image.object(FOLLOWING);
    boolean known =
        image
            .drive()
            .design()
            .known()
            .filter(d -> StartUpCheck.dictionary(d).object(object).isPresent())
            .isPresent();
    return Optional.of(known ? place(object) : "trace of the motion axis");
  }

  private StationRows rows() {
    return new StationRows(
        image.station(), image.mode().orElseThrow(), image.object(ProfileObject.MODE_SHOWN));
  }

  @Override
  public List<Prediction> states() {
    return rows().predictions();
  }

  @Override
  public List<MotionCause> impossible() {
    return List.of();
  }

  @Override
  public List<? extends Cause> causes() {
    return List.of(StationCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, MotionLink link, SignalPath path) {
    return cause instanceof StationCause own ? own.variants(path, rows()) : List.of();
  }
}
