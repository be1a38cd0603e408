package unimotus.devices.serial;

import java.io.EOFException;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;

/** The bytes of a serial line carried over TCP, as converters at cabinets do. */
public final class SocketLine implements Line {
  private final Socket socket;

  /** A line over a socket that is joined. */
  public SocketLine(Socket socket) throws IOException {
    socket.setTcpNoDelay(true);
    this.socket = socket;
  }

  /**
   * Joins.
   *
   * @throws IOException where nobody answers there in time
   */
  public static SocketLine join(InetSocketAddress address, int milliseconds) throws IOException {
    Socket socket = new Socket();
    try {
      socket.connect(address, milliseconds);
      return new SocketLine(socket);
    } catch (IOException nobody) {
      socket.close();
      throw nobody;
    }
  }

  @Override
  public void send(byte[] bytes) throws IOException {
    socket.getOutputStream().write(bytes);
  }

  @Override
  public int receive(byte[] into, int milliseconds) throws IOException {
    socket.setSoTimeout(milliseconds);
    try {
      int count = socket.getInputStream().read(into);
      if (count < 0) {
        throw new EOFException("%s closed the line".formatted(socket.getRemoteSocketAddress()));
      }
      return count;
    } catch (SocketTimeoutException silent) {
      return 0;
    }
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}
