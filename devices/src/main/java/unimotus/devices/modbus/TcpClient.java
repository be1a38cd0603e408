package unimotus.devices.modbus;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import org.jspecify.annotations.Nullable;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotSent;

/**
 * Asks a device on TCP, one request at a time. An answer to an earlier request that comes late is
 * passed over; after a lie or a silence the connection is made anew before the next request.
 */
public final class TcpClient implements Client {
  private static final int MOST_LATE_ANSWERS = 64;

  private final InetSocketAddress address;
  private final int timeoutMilliseconds;
  private final Tap tap;
  private Socket socket = new Socket();
  private @Nullable DataInputStream in;
  private int transaction;

  /**
   * A client; it joins with the first request.
   *
   * @param timeoutMilliseconds longest wait for joining and for each answer
   */
  public TcpClient(String host, int port, int timeoutMilliseconds) {
    this(host, port, timeoutMilliseconds, Tap.NONE);
  }

  /**
   * A client whose frames are looked at.
   *
   * @param tap is shown every frame
   */
  public TcpClient(String host, int port, int timeoutMilliseconds, Tap tap) {
    this.tap = tap;
    this.address = new InetSocketAddress(host, port);
    this.timeoutMilliseconds = timeoutMilliseconds;
  }

  @Override
  public synchronized Response ask(int unit, Request request, Gate gate)
      throws IOException, FrameFault {
    join();
    try {
      transaction = transaction + 1 & 0xFFFF;
      OutputStream out = socket.getOutputStream();
      byte[] asked = new TcpFrame(transaction, unit, request.bytes()).bytes();
      gate.pass(
          () -> {
            out.write(asked);
            out.flush();
          });
      tap.sent(asked);
      return Response.to(request, awaited(unit).message());
    } catch (NotSent keptBack) {
      throw keptBack;
    } catch (SocketTimeoutException silent) {
      leave();
      throw new NoAnswer(timeoutMilliseconds);
    } catch (IOException | FrameFault broken) {
      leave();
      throw broken;
    }
  }

  private TcpFrame awaited(int unit) throws IOException, FrameFault {
    DataInputStream answers = in;
    if (answers == null) {
      throw new IOException("the connection was closed");
    }
    long end = System.nanoTime() + timeoutMilliseconds * 1_000_000L;
    for (int late = 0; late <= MOST_LATE_ANSWERS && System.nanoTime() < end; late++) {
      TcpFrame frame = TcpFrame.read(answers);
      if (frame == null) {
        throw new IOException("the other end closed the connection");
      }
      tap.received(frame.bytes());
      if (frame.transaction() == transaction) {
        if (frame.unit() != unit) {
          throw new FrameFault("unit %d was asked, unit %d answered".formatted(unit, frame.unit()));
        }
        return frame;
      }
    }
    throw new FrameFault("answers came to other requests than the one asked");
  }

  private void join() throws IOException {
    if (in != null) {
      return;
    }
    socket = new Socket();
    socket.setTcpNoDelay(true);
    socket.setSoTimeout(timeoutMilliseconds);
    try {
      socket.connect(address, timeoutMilliseconds);
    } catch (IOException nobody) {
      socket.close();
      throw new IOException("no connection: " + nobody.getMessage(), nobody);
    }
    in = new DataInputStream(new BufferedInputStream(socket.getInputStream()));
  }

  private void leave() throws IOException {
    in = null;
    socket.close();
  }

  @Override
  public synchronized void close() throws IOException {
    leave();
  }
}
