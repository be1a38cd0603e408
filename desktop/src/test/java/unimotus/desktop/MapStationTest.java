package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.profile.DriveProfiles;
import unimotus.workbench.WorkStep;

/** Words and frames at the station Map, in a real window. */
class MapStationTest extends WindowTest {

  @BeforeEach
  void open() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
        });
    settle();
  }

  private void press(String query) {
    interact(() -> lookup(query).query().requestFocus());
    push(KeyCode.SPACE);
    settle();
  }

  private void type(String field, String text) {
    interact(() -> lookup(field).<TextInputControl>query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.A);
    write(text, 0);
    push(KeyCode.ENTER);
    settle();
  }

  private boolean shows(String text) {
    return lookup((Labeled l) -> l.getText() != null && l.getText().contains(text))
        .tryQuery()
        .isPresent();
  }

  /** CiA 402 (from memory): 0x76, 0x77, 0x7F start in velocity mode; a fault needs an edge. */
  @Test
  void wordsInBothDirections() {
    press("#map-words");
    assertThat(shows("switch on disabled")).isTrue();
    press("#want-start-forward");
    assertThat(shows("0x0076  shutdown, then wait for ready to switch on")).isTrue();
    press("#send-next");
    press("#send-next");
    press("#send-next");
    assertThat(shows("operation enabled")).isTrue();
    assertThat(shows("Nothing to send")).isTrue();

    type("#status-word", "0x0218");
    assertThat(shows("fault")).isTrue();
    type("#control-word", "0xF0");
    assertThat(shows("0x00F0 in fault: leads to switch on disabled")).isTrue();
    type("#status-word", "0x0218");
    type("#control-word", "0xF0");
    assertThat(shows("counts only when its bits change")).isTrue();

    type("#status-word", "0x0250");
    press("#control-word-bit-3");
    assertThat(shows("only shutdown is listened to")).isTrue();
    type("#control-word", "all");
    assertThat(message(this)).contains("'all' is no word");

    interact(
        () -> lookup("#profile").<ComboBox<Object>>query().setValue(DriveProfiles.RUN_AND_STOP));
    settle();
    press("#want-start-reverse");
    assertThat(shows("0x0013  run, then wait for running")).isTrue();
  }

  @Test
  void aPastedFrameIsExplained() {
    press("#map-frames");
    type("#frame-hex", "11 03 00 6B 00 03 76 87");
    assertThat(shows("107, from 0")).isTrue();
    assertThat(shows("Serial frame")).isTrue();
    type("#frame-hex", "00 01 00 00 00 03 01 83 02");
    interact(() -> lookup("#frame-answer").<CheckBox>query().fire());
    assertThat(shows("illegal data address")).isTrue();
    type("#frame-hex", "not bytes");
    assertThat(shows("pairs of hexadecimal digits")).isTrue();
  }
}
