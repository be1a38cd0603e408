package unimotus.desktop.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;

/** Where things stand at which width, by hand. */
class SidesTest {
  private static final double GAP = 12;

  private final Region main = new Region();
  private final Region side = new Region();
  private final Sides sides = new Sides(main, side, 500, 200, 300);

  private void at(double width) {
    sides.resize(width, 400);
    sides.layout();
  }

  @Test
  void withRoomTheSideIsAsWideAsItLikes() {
    at(1000);
    assertThat(side.getWidth()).isEqualTo(300);
    assertThat(main.getWidth()).isEqualTo(1000 - 300 - GAP);
    assertThat(side.getLayoutX()).isEqualTo(700);
    assertThat(main.getHeight()).isEqualTo(400);
  }

  @Test
  void withLessTheSideGivesWayFirst() {
    at(750);
    assertThat(main.getWidth()).isEqualTo(500);
    assertThat(side.getWidth()).isEqualTo(750 - 500 - GAP);
  }

  @Test
  void withTooLittleTheSideGoesBelow() {
    at(700);
    assertThat(main.getWidth()).isEqualTo(700);
    assertThat(side.getWidth()).isEqualTo(700);
    assertThat(side.getLayoutY()).isGreaterThan(main.getHeight());
    assertThat(main.getHeight() + side.getHeight() + GAP).isEqualTo(400);
  }

  @Test
  void thePaddingIsKept() {
    sides.setPadding(new Insets(10, 20, 30, 40));
    at(1000);
    assertThat(main.getLayoutX()).isEqualTo(40);
    assertThat(main.getLayoutY()).isEqualTo(10);
    assertThat(side.getLayoutX() + side.getWidth()).isEqualTo(980);
    assertThat(side.getHeight()).isEqualTo(360);
  }

  /** Four cards are four, two and two, or one below the other; never three and one. */
  @Test
  void cardsStandInEvenRows() {
    CardRows cards = new CardRows(200, GAP, Stream.generate(Region::new).limit(4).toList());
    assertThat(List.of(1000.0, 836.0, 700.0, 412.0, 411.0))
        .extracting(cards::columns)
        .containsExactly(4, 4, 2, 2, 1);
    cards.resize(700, 100);
    cards.layout();
    assertThat(cards.getChildrenUnmodifiable().get(1).getLayoutX())
        .isEqualTo((700 - GAP) / 2 + GAP);
    assertThat(cards.getChildrenUnmodifiable().get(2).getLayoutX()).isZero();
  }
}
