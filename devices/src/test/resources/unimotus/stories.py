"""A shift at a stand-in drive, by a client of a general-purpose library.

usage: stories.py PROFILE WAY PLACE    PROFILE vl | pv | none | run-and-stop; WAY tcp | serial-over-tcp | serial
Every story ends with a line; an assertion that fails ends the shift with a status of its own.
"""
import sys
import time

from pymodbus.client import ModbusSerialClient, ModbusTcpClient
from pymodbus.transaction import ModbusRtuFramer

profile, way, place = sys.argv[1:4]
if way == "serial":
    # A pseudo-terminal has no parity: the system refuses a client that insists on one.
    client = ModbusSerialClient(place, baudrate=115200, parity="N", timeout=2)
elif way == "serial-over-tcp":
    client = ModbusTcpClient("127.0.0.1", port=int(place), framer=ModbusRtuFramer, timeout=2)
else:
    client = ModbusTcpClient("127.0.0.1", port=int(place), timeout=2)
assert client.connect()

CONTROL, REFERENCE, TIMEOUT = 0, 1, 2
WITH_SIGN = profile != "run-and-stop"


def write(register, value):
    answer = client.write_register(register, value & 0xFFFF, slave=1)
    assert not answer.isError(), answer


def inputs(address, count=1):
    answer = client.read_input_registers(address, count, slave=1)
    assert not answer.isError(), answer
    return answer.registers


def signed(raw):
    return raw - 0x10000 if raw > 0x7FFF else raw


def status():
    return inputs(0)[0]


def hertz():
    return signed(inputs(1)[0]) / 100


def rpm():
    return signed(inputs(2)[0])


def until(condition, what, seconds=6):
    end = time.monotonic() + seconds
    while not condition():
        assert time.monotonic() < end, "%s: status %04x, %.2f Hz, %d rpm" % (
            what, status(), hertz(), rpm())
        time.sleep(0.02)


if profile == "run-and-stop":
    # 4 claims the command, 0 runs, 1 turns, 3 resets; status 0 ready, 1 running, 3 fault.
    CLAIM = 0x10
    WAY_TO_RUN = [(CLAIM, lambda s: s & 1), (CLAIM | 1, lambda s: s & 2)]
    STOPS = {"stop word": [CLAIM]}
    RESET, READY = [CLAIM, CLAIM | 8, CLAIM], lambda s: s & 0xB == 1
    RUNS = lambda s: s & 2
    FAULT = lambda s: s & 8
else:
    # IEC 61800-7-201 (from memory): velocity mode wants bits 4 to 6 in every word.
    MODE = 0x70 if profile == "vl" else 0
    WAY_TO_RUN = [
        (MODE | 0x06, lambda s: s & 0x6F == 0x21),
        (MODE | 0x07, lambda s: s & 0x6F == 0x23),
        (MODE | 0x0F, lambda s: s & 0x6F == 0x27),
    ]
    STOPS = {
        "disable operation": [MODE | 0x07],
        "shutdown": [MODE | 0x06],
        "disable voltage": [0],
        "quick stop": [MODE | 0x02],
    }
    RESET, READY = [0, 0x80, 0], lambda s: s & 0x4F == 0x40
    RUNS = lambda s: s & 0x6F == 0x27
    FAULT = lambda s: s & 0x4F == 0x08


def start():
    if profile != "run-and-stop":
        write(CONTROL, 0)
    for word, shown in WAY_TO_RUN:
        write(CONTROL, word)
        until(lambda: shown(status()), "word %04x" % word)


def speed(value):
    until(lambda: abs(hertz() - value) < 0.2, "%.1f Hz" % value)


def stands():
    until(lambda: abs(hertz()) < 0.05 and abs(rpm()) <= 1, "standstill")
    assert not RUNS(status()), hex(status())


def still(seconds=0.4):
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        assert abs(hertz()) < 0.05, "moves by itself: %.2f Hz" % hertz()
        time.sleep(0.02)


write(REFERENCE, 2000)
still()
print("still at rest")
start()
speed(20)
print("start")
write(REFERENCE, 1000)
speed(10)
print("speed change")
if WITH_SIGN:
    write(REFERENCE, -1500)
    speed(-15)
    assert rpm() < 0
else:
    write(CONTROL, CLAIM | 1 | 2)
    until(lambda: rpm() < -100, "backward")
print("reverse")
write(REFERENCE, 2000)
if not WITH_SIGN:
    write(CONTROL, CLAIM | 1)
speed(20)
if profile in ("vl", "pv"):
    write(CONTROL, WAY_TO_RUN[-1][0] | 0x100)
    until(lambda: abs(hertz()) < 0.05, "halt")
    assert RUNS(status())
    write(CONTROL, WAY_TO_RUN[-1][0])
    speed(20)
    print("halt")
for name, words in STOPS.items():
    for word in words:
        write(CONTROL, word)
    stands()
    still()
    print(name)
    start()
    speed(20)
# The link falls silent for longer than the drive's own time-out: a fault, and nothing by itself.
write(TIMEOUT, 3)
time.sleep(0.8)
assert FAULT(status()), hex(status())
assert inputs(5)[0] == 7
write(TIMEOUT, 0)
stands_end = time.monotonic() + 0.5
while time.monotonic() < stands_end:
    write(CONTROL, WAY_TO_RUN[-1][0])
    assert FAULT(status()), "a run word that stands leaves the fault: %04x" % status()
print("lost link")
for word in RESET:
    write(CONTROL, word)
until(lambda: READY(status()), "reset")
still()
print("reset")
start()
speed(20)
print("return")
write(CONTROL, STOPS[next(iter(STOPS))][0])
stands()
refused = client.read_holding_registers(3, 1, slave=1)
assert refused.isError() and refused.exception_code == 2
print("end")
