package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Route;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.devices.serial.SerialSettings;

/**
 * A stop, a leave or an arming that ends, at any moment of a command: after it no step of the
 * command goes out. Clocks are held, answers come late; thousands of interleavings of a commanding
 * and a stopping thread.
 */
class StopInterleavingTest {
  private static final int ROUNDS = 5000;
  private static final int JOGS = 2000;
  private static final int STOP = new WordMachine(DriveProfiles.CIA_402_VELOCITY).stopWord();

  /** A bus that remembers what went out, in order; a drive behind it that follows every word. */
  private static final class Bus {
    final List<String> sent = Collections.synchronizedList(new ArrayList<>());
    final Random random;
    int state = 0x40;
    int control;

    /** How often it was asked anything. */
    final AtomicInteger asked = new AtomicInteger();

    /** Whether the drive shows the control word that was written; not all do. */
    boolean echoes = true;

    Bus(long seed) {
      random = new Random(seed);
    }

    private synchronized int late() {
      return random.nextInt(40);
    }

    private void dawdle() {
      for (int i = late(); i > 0; i--) {
        Thread.onSpinWait();
        if (i % 8 == 0) {
          Thread.yield();
        }
      }
    }

    private synchronized void take(int word) {
      control = word;
      state =
          switch (word & 0x8F) {
            case 0x06 -> 0x21;
            case 0x07 -> state == 0x40 ? 0x40 : 0x23;
            case 0x0F -> state == 0x40 ? 0x40 : 0x27;
            default -> 0x40;
          };
    }

    Client client() {
      return new Client() {
        @Override
        public synchronized Response ask(int unit, Request request, Gate gate) throws IOException {
          asked.incrementAndGet();
          gate.pass(
              () -> {
                dawdle();
                if (request instanceof Request.WriteOne one) {
                  sent.add("%d=%d".formatted(one.address(), one.value()));
                }
              });
          dawdle();
          if (request instanceof Request.WriteOne one) {
            if (one.address() == DriveRegisters.CONTROL_WORD.entry().address()) {
              take(one.value());
            }
            return new Response.Done(request);
          }
          Request.Read read = (Request.Read) request;
          List<Integer> values = new ArrayList<>(Collections.nCopies(read.count(), 0));
          boolean inputs = read.function() == 4;
          synchronized (Bus.this) {
            values.set(0, inputs ? state : echoes ? control : 0x1234);
          }
          return new Response.Values(read.function(), values);
        }

        @Override
        public void close() {}
      };
    }
  }

  private static LiveLink link(Bus bus, Route route, AtomicLong nanos) {
    return new LiveLink(
        new RegisterConnection(new Target(route, 1), DriveRegisters.map(), bus::client),
        DriveProfiles.CIA_402_VELOCITY,
        new LiveLink.Times(Clock.systemUTC(), nanos::get),
        ReferenceLimit.NONE);
  }

  private static void end(LiveLink link, int how, Bus bus, AtomicLong nanos) throws NotDone {
    switch (how) {
      case 0 -> {
        link.disarm();
        bus.sent.add("ended");
      }
      case 1 -> {
        nanos.addAndGet(LiveLink.ARMED_FOR.plusSeconds(1).toNanos());
        // What was let out before may still be going out.
        assertThat(link.isArmed()).isFalse();
        bus.sent.add("ended");
        link.expire();
      }
      default -> {
        link.disarm();
        bus.sent.add("ended");
        link.stop();
      }
    }
  }

  private interface Deed {
    void done() throws NotDone;
  }

  /**
   * A command, and what ends it after so many of its asks: before, in between or after. What is cut
   * short is not done, and that is all right.
   */
  private static void race(
      ExecutorService threads, Bus bus, Random random, Deed commanding, Deed ending)
      throws Exception {
    // A start asks some ten times.
    int asks = random.nextInt(14);
    int wait = random.nextInt(400);
    CountDownLatch both = new CountDownLatch(2);
    Future<?> command = threads.submit(() -> begun(both, commanding));
    Deed later =
        () -> {
          while (bus.asked.get() < asks && !command.isDone()) {
            Thread.onSpinWait();
          }
          for (int i = 0; i < wait; i++) {
            Thread.onSpinWait();
          }
          ending.done();
        };
    Future<?> end = threads.submit(() -> begun(both, later));
    end.get();
    try {
      command.get();
    } catch (ExecutionException e) {
      assertThat(e).hasCauseInstanceOf(NotDone.class);
    }
  }

  private static Void begun(CountDownLatch both, Deed deed) throws Exception {
    both.countDown();
    both.await();
    deed.done();
    return null;
  }

  private static boolean isCommand(String sent) {
    return !sent.equals("0=" + STOP) && !sent.equals("1=0");
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void nothingOfACommandFollowsItsEnd(boolean shared) throws Exception {
    Route route =
        shared
            ? new Route.Tcp("127.0.0.1", 502)
            : new Route.Serial("none", SerialSettings.STANDARD);
    ExecutorService threads = Executors.newFixedThreadPool(2);
    int cut = 0;
    try {
      for (int round = 0; round < ROUNDS; round++) {
        Bus bus = new Bus(round);
        AtomicLong nanos = new AtomicLong();
        LiveLink link = link(bus, route, nanos);
        link.arm("A. Tester");
        Random random = new Random(~round);
        int how = random.nextInt(3);
        race(
            threads,
            bus,
            random,
            () -> {
              link.reference(5);
              link.want(Intent.START_FORWARD);
            },
            () -> end(link, how, bus, nanos));
        int at = bus.sent.indexOf("ended");
        List<String> after = bus.sent.subList(at + 1, bus.sent.size());
        assertThat(after.stream().filter(StopInterleavingTest::isCommand))
            .as("round %d, ended by %d: %s", round, how, bus.sent)
            .isEmpty();
        cut += at < 4 ? 1 : 0;
        link.close();
      }
    } finally {
      threads.shutdownNow();
    }
    assertThat(cut).as("commands that were cut short").isGreaterThan(ROUNDS / 20);
    System.out.printf(
        "stop while commanding, %s: %d interleavings, %d cut short, 0 steps after the end%n",
        shared ? "TCP" : "serial", ROUNDS, cut);
  }

  /** A jog that is let go at any moment: no step follows, and what began is stopped. */
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void nothingOfAJogFollowsTheHand(boolean shared) throws Exception {
    Route route =
        shared
            ? new Route.Tcp("127.0.0.1", 502)
            : new Route.Serial("none", SerialSettings.STANDARD);
    ExecutorService threads = Executors.newFixedThreadPool(2);
    int begun = 0;
    try {
      for (int round = 0; round < JOGS; round++) {
        Bus bus = new Bus(round);
        LiveLink link = link(bus, route, new AtomicLong());
        link.arm("A. Tester");
        Hand hand = new Hand();
        race(
            threads,
            bus,
            new Random(~round),
            () -> link.jog(Intent.START_FORWARD, hand),
            () -> {
              hand.letGo();
              bus.sent.add("ended");
              link.letGo(hand);
            });
        int at = bus.sent.indexOf("ended");
        assertThat(bus.sent.subList(at + 1, bus.sent.size()))
            .as("round %d: %s", round, bus.sent)
            .noneMatch(StopInterleavingTest::isCommand);
        if (at > 0) {
          begun++;
          assertThat(bus.sent.get(bus.sent.size() - 1)).isEqualTo("0=" + STOP);
          assertThat(bus.state).as("%s", bus.sent).isNotEqualTo(0x27);
        }
        assertThat(link.isArmed()).isTrue();
        link.close();
      }
    } finally {
      threads.shutdownNow();
    }
    assertThat(begun).as("jogs that had begun").isGreaterThan(JOGS / 20);
    System.out.printf(
        "jog let go, %s: %d interleavings, %d had begun, 0 steps after the hand%n",
        shared ? "TCP" : "serial", JOGS, begun);
  }

  /** A hand that was let go begins nothing any more; a motor that runs is not jogged. */
  @Test
  void aHandIsForOneJog() throws Exception {
    Bus bus = new Bus(1);
    try (LiveLink link = link(bus, new Route.Tcp("127.0.0.1", 502), new AtomicLong())) {
      Hand unarmed = new Hand();
      assertThatThrownBy(() -> link.jog(Intent.START_FORWARD, unarmed))
          .hasMessageContaining("not armed");
      link.letGo(unarmed);
      assertThat(bus.sent).isEmpty();
      link.arm("A. Tester");
      Hand hand = new Hand();
      link.jog(Intent.START_FORWARD, hand);
      assertThat(bus.state).isEqualTo(0x27);
      Hand second = new Hand();
      assertThatThrownBy(() -> link.jog(Intent.START_FORWARD, second))
          .hasMessageContaining("runs already");
      link.letGo(second);
      assertThat(bus.state).as("another hand ends nothing").isEqualTo(0x27);
      link.letGo(hand);
      assertThat(bus.state).isNotEqualTo(0x27);
      assertThatThrownBy(() -> link.jog(Intent.START_FORWARD, hand)).hasMessageContaining("let go");
      assertThat(bus.state).isNotEqualTo(0x27);
    }
  }

  /** A register that never shows what was written tells of nobody else: the drive is stopped. */
  @Test
  void aDriveThatDoesNotEchoIsHandedBackToo() throws Exception {
    Bus bus = new Bus(1);
    bus.echoes = false;
    AtomicLong nanos = new AtomicLong();
    try (LiveLink link = link(bus, new Route.Tcp("127.0.0.1", 502), nanos)) {
      link.arm("A. Tester");
      link.reference(5);
      link.want(Intent.START_FORWARD);
      nanos.addAndGet(LiveLink.ARMED_FOR.plusSeconds(1).toNanos());
      assertThatThrownBy(link::expire).hasMessageContaining("was not returned");
      assertThat(bus.sent).containsSubsequence("1=500", "0=" + STOP, "1=0");
    }
  }

  /** The register the test reads and writes are the ones the link means. */
  @Test
  void theAddressesAreThoseOfTheMap() {
    assertThat(DriveRegisters.map().entry(ValueRole.CONTROL_WORD).orElseThrow().address()).isZero();
    assertThat(DriveRegisters.map().entry(ValueRole.REFERENCE).orElseThrow().address())
        .isEqualTo(1);
  }
}
