package unimotus.desktop;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What the window is asked to begin with.
 *
 * @param demo whether the demo line is opened
 * @param dark whether the window is dark, whatever was remembered
 * @param file the project that is opened, null where none is named
 * @param shots the folder that pictures of every view are written into, null where none are wanted
 * @param width of the window's content, in pixels
 * @param height of the window's content, in pixels
 */
record StartArguments(
    boolean demo, boolean dark, @Nullable Path file, @Nullable Path shots, int width, int height) {
  private static final Pattern SIZE = Pattern.compile("(\\d{3,4})x(\\d{3,4})");
  private static final String USUAL_SIZE = "1280x800";

  /**
   * Reads {@code [demo | FILE] [--dark] [--shots DIR] [--size 1280x800]}.
   *
   * @throws IllegalArgumentException naming what is no argument
   */
  static StartArguments of(List<String> arguments) {
    Deque<String> left = new ArrayDeque<>(arguments);
    boolean demo = false;
    boolean dark = false;
    Path file = null;
    Path shots = null;
    String size = USUAL_SIZE;
    while (!left.isEmpty()) {
      String next = left.pop();
      switch (next) {
        case "demo" -> demo = true;
        case "--dark" -> dark = true;
        case "--shots" -> shots = Path.of(value(next, left));
        case "--size" -> size = value(next, left);
        default -> file = project(next, file);
      }
    }
    Matcher matched = SIZE.matcher(size);
    if (!matched.matches()) {
      throw new IllegalArgumentException(
          "--size needs a width and a height in pixels, as in 1000x700, not '%s'".formatted(size));
    }
    return new StartArguments(
        demo,
        dark,
        file,
        shots,
        Integer.parseInt(matched.group(1)),
        Integer.parseInt(matched.group(2)));
  }

  private static String value(String option, Deque<String> left) {
    return Optional.ofNullable(left.poll())
        .orElseThrow(() -> new IllegalArgumentException(option + " needs a value"));
  }

  private static Path project(String next, @Nullable Path before) {
    if (next.startsWith("-") || before != null) {
      throw new IllegalArgumentException("'%s' is no argument of the window".formatted(next));
    }
    return Path.of(next);
  }
}
