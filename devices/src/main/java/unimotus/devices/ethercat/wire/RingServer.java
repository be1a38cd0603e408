package unimotus.devices.ethercat.wire;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import unimotus.devices.ethercat.station.Ring;

/** Lets telegrams that come in pass a ring and sends them back. */
public final class RingServer implements AutoCloseable {
  private static final int MOST = 2048;
  private static final int LOOK_AROUND_MILLISECONDS = 200;

  /** Local addresses have this bit in their first byte; a frame comes back from such a one. */
  private static final int LOCAL = 0x02;

  /** The place where telegrams come in. */
  private interface Place {
    /** Deals with the next one; returns soon where none comes. */
    void serve() throws IOException;

    void close() throws IOException;
  }

  private final Ring ring;
  private final String where;
  private final int port;
  private final Place place;
  private final Thread thread;
  private volatile boolean isClosed;
  private volatile String fault = "";

  private RingServer(Ring ring, String where, int port, Function<RingServer, Place> of) {
    this.ring = ring;
    this.where = where;
    this.port = port;
    this.place = of.apply(this);
    this.thread = new Thread(this::run, "stations");
    thread.setDaemon(true);
  }

  /**
   * Stations that answer to UDP packets on the loopback address.
   *
   * @param port 0 for any that is free
   * @throws IOException where the port cannot be had
   */
  public static RingServer udp(Ring ring, int port) throws IOException {
    DatagramChannel channel = DatagramChannel.open();
    try {
      channel.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    } catch (IOException taken) {
      channel.close();
      throw new IOException("UDP port %d: %s".formatted(port, taken.getMessage()), taken);
    }
    InetSocketAddress at = (InetSocketAddress) channel.getLocalAddress();
    String where = "%s:%d".formatted(at.getAddress().getHostAddress(), at.getPort());
    return started(new RingServer(ring, where, at.getPort(), s -> s.packets(channel)));
  }

  /**
   * Stations that answer to Ethernet frames at an interface.
   *
   * @throws IOException where there is none of this name, or the right is missing
   */
  public static RingServer ethernet(Ring ring, String interfaceName) throws IOException {
    EthernetSocket socket = EthernetSocket.at(interfaceName);
    return started(new RingServer(ring, socket.toString(), 0, s -> s.frames(socket)));
  }

  private static RingServer started(RingServer server) {
    server.thread.start();
    return server;
  }

  private Place packets(DatagramChannel channel) {
    ByteBuffer in = ByteBuffer.allocate(MOST);
    return new Place() {
      @Override
      public void serve() throws IOException {
        in.clear();
        SocketAddress from = channel.receive(in);
        byte[] telegram = new byte[in.flip().remaining()];
        in.get(telegram);
        byte[] back = passed(telegram);
        if (back != null) {
          channel.send(ByteBuffer.wrap(back), from);
        }
      }

      @Override
      public void close() throws IOException {
        channel.close();
      }
    };
  }

  private Place frames(EthernetSocket socket) {
    return new Place() {
      @Override
      public void serve() throws IOException {
        EthernetSocket.Frame frame = socket.receive(LOOK_AROUND_MILLISECONDS);
        byte[] back = frame == null ? null : passed(frame.telegram());
        if (frame != null && back != null) {
          byte[] source = frame.source().clone();
          source[0] |= LOCAL;
          socket.send(EthernetSocket.EVERYBODY, source, back);
        }
      }

      @Override
      public void close() {
        socket.close();
      }
    };
  }

  private byte @Nullable [] passed(byte[] telegram) {
    byte[] back = ring.pass(telegram);
    int late = ring.troubles().delayMilliseconds();
    if (back != null && late > 0) {
      pause(late);
    }
    return back;
  }

  private static void pause(int milliseconds) {
    try {
      TimeUnit.MILLISECONDS.sleep(milliseconds);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
    }
  }

  private void run() {
    while (!isClosed) {
      try {
        place.serve();
      } catch (IOException | RuntimeException broken) {
        // Such as an interface that was switched off; it may come back. A telegram that a station
        // fails over must not silence all of them either: what it was is told.
        fault = isClosed ? "" : String.valueOf(broken);
        pause(LOOK_AROUND_MILLISECONDS);
      }
    }
  }

  /** The stations that answer. */
  public Ring ring() {
    return ring;
  }

  /** Why it could not listen or answer last; empty where nothing was wrong. */
  public String fault() {
    return fault;
  }

  /** The UDP port; 0 where frames of their own are used. */
  public int port() {
    return port;
  }

  @Override
  public void close() throws IOException {
    isClosed = true;
    thread.interrupt();
    try {
      thread.join(2L * LOOK_AROUND_MILLISECONDS);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
    }
    place.close();
  }

  @Override
  public String toString() {
    return where;
  }
}
