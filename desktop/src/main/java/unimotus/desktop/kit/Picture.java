package unimotus.desktop.kit;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;

/** Writes what is on screen as a PNG file. */
public final class Picture {
  private Picture() {}

  /**
   * Writes an image as PNG.
   *
   * @throws IOException where the file cannot be written
   */
  public static void write(WritableImage image, Path file) throws IOException {
    int width = (int) image.getWidth();
    int height = (int) image.getHeight();
    BufferedImage copy = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    PixelReader pixels = image.getPixelReader();
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        copy.setRGB(x, y, pixels.getArgb(x, y));
      }
    }
    if (!ImageIO.write(copy, "png", file.toFile())) {
      throw new IOException("no PNG writer on this Java platform for " + file);
    }
  }
}
