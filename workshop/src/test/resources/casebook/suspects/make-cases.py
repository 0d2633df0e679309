#!/usr/bin/env python3
"""Makes the cases of this folder: python3 make-cases.py NETLISTS SEED

NETLISTS holds for each set NAME.json of sets/ what `./hearth compute` prints of it (NAME.out). A case is one
copy of the set: every value off by its own tolerance, one thing wrong with it (edited into the netlist, so that
nothing of the program decides what a fault is), worked out by ngspice, and read with a meter that is off by up
to 2 % at a line off by 1 %. What was done to it is the truth that the case states.
"""
import json, math, pathlib, random, re, subprocess, sys, tempfile

HERE = pathlib.Path(__file__).parent
SECONDS = {"valve-choke": 2.5, "series-string": 1.5, "bias-beside": 2.5, "plus-minus": 1.0, "regulated": 0.8,
           "doubler": 1.2, "bridge-selenium": 1.5, "two-regulators": 0.8}
POINTS = {"valve-choke": ["HT", "HT2", "SC"], "series-string": ["A", "B"], "bias-beside": ["HT", "HT2", "NB", "NC"],
          "plus-minus": ["P", "N", "P2", "N2"], "regulated": ["raw", "out"], "doubler": ["HT", "HT2"],
          "bridge-selenium": ["HT", "HT2"], "two-regulators": ["p", "n", "plus", "minus"]}
NUMBER = re.compile(r"[-+]?\d+(?:\.\d+)?(?:e[-+]?\d+)?$", re.I)


def scaled(line, times):
    words = line.split()
    for k in range(len(words) - 1, -1, -1):
        if NUMBER.match(words[k]):
            words[k] = "%.9g" % (float(words[k]) * times)
            return " ".join(words)
    raise ValueError(line)


def current_scaled(line, times):
    head, law = line.split(" i=", 1)
    return f"{head} i={times:.9g}*({law})"


class Set:
    def __init__(self, name, lines):
        self.name, self.lines = name, list(lines)

    def at(self, name):
        return next(k for k, l in enumerate(self.lines) if l.split()[0] == name)

    def has(self, name):
        return any(l.split()[0] == name for l in self.lines)

    def scale(self, name, times):
        k = self.at(name)
        self.lines[k] = current_scaled(self.lines[k], times) if " i=" in self.lines[k] else scaled(self.lines[k], times)

    def put(self, name, value):
        k = self.at(name)
        words = self.lines[k].split()
        for w in range(len(words) - 1, -1, -1):
            if NUMBER.match(words[w]):
                words[w] = "%.9g" % value
                break
        self.lines[k] = " ".join(words)

    def drop(self, name):
        del self.lines[self.at(name)]

    def across(self, name, ohms):
        a, b = self.lines[self.at(name)].split()[1:3]
        self.lines.append(f"r_fault {a} {b} {ohms:.9g}")


def made(s, r):
    """Every value off by its tolerance, as parts were made."""
    for k, l in enumerate(s.lines):
        n = l.split()[0]
        if n.endswith("_shut0") or n.endswith("_shut1") or "insulation" in n or n.endswith("_tie") or n.endswith("_loss"):
            continue
        sigma = 0
        if re.match(r"c_", n):
            sigma = 0.12
        elif re.match(r"r_c\d+_leak$", n):
            sigma = 0.7
        elif re.match(r"r_c\d+$", n):
            sigma = 0.4
        elif n.startswith("r_"):
            sigma = 0.05
        elif n.startswith("l_"):
            sigma = 0.1
        elif n.startswith("b_v"):
            sigma = 0.05
        elif n.startswith("b_") and "u" not in n.split("_")[1]:
            sigma = 0.06
        if sigma:
            f = math.exp(sigma * r.gauss(0, 1))
            s.lines[k] = current_scaled(l, f) if " i=" in l else scaled(l, f)


def line(s, times):
    for k, l in enumerate(s.lines):
        m = re.search(r"sin\(\S+ (\S+) ", l)
        if m:
            s.lines[k] = l.replace(" " + m.group(1) + " ", " %.9g " % (float(m.group(1)) * times), 1)


def run(s, line_times):
    hertz = float(re.search(r"sin\(\S+ \S+ (\S+) ", "\n".join(s.lines)).group(1))
    s = Set(s.name, s.lines)
    line(s, line_times)
    end = SECONDS[s.name]
    # Ripple by the difference from the mean: the square of a rail less the square of its mean loses millivolts.
    cards = []
    for p in POINTS[s.name]:
        cards += [f"let d_{p} = v(n_{p.lower()}) - mean(v(n_{p.lower()}))",
                  f"let dc_{p} = mean(v(n_{p.lower()}))", f"let ac_{p} = sqrt(mean(d_{p} * d_{p}))",
                  f"print dc_{p} ac_{p}"]
    text = "\n".join(["a set with a fault"] + s.lines + [".options method=gear reltol=1e-5 itl4=100",
                     ".control", "set numdgt=9", f"tran 2e-5 {end} {end - 2 / hertz:.9g} 2e-5 uic", "linearize"] + cards
                     + ["quit", ".endc", ".end"])
    with tempfile.NamedTemporaryFile("w", suffix=".cir") as f:
        f.write(text)
        f.flush()
        out = subprocess.run(["ngspice", "-b", f.name], capture_output=True, text=True).stdout
    got = {k.lower(): float(v) for k, v in re.findall(r"^(\w+)\s+=\s+(\S+)", out, re.M) if NUMBER.match(v)}
    shown = {p: (got["dc_" + p.lower()], got["ac_" + p.lower()]) for p in POINTS[s.name]}
    return shown


def log(r, a, b):
    return a * (b / a) ** r.random()


def faults(s, r, volts):
    """Name of the part, what is wrong in words, and what to do to the netlist."""
    names = [l.split()[0] for l in s.lines]
    for n in names:
        if re.match(r"c_c\d+$", n):
            c = n[2:]
            ref = c.upper()
            k = log(r, 0.06, 0.5)
            yield ref, f"dried up to {100 * k:.0f} % of its value", lambda x, n=n, k=k: x.scale(n, k)
            yield ref, "open", lambda x, n=n: x.put(n, 1e-13)
            k = log(r, 10, 80)
            yield ref, f"series resistance {k:.0f} times", lambda x, c=c, k=k: x.scale("r_" + c, k)
            w = log(r, 0.5, 4)
            u = max(5.0, volts(c))
            yield ref, f"leaks, {w:.1f} W in it", lambda x, c=c, o=u * u / w: x.put(f"r_{c}_leak", o)
            yield ref, "shorted, 0.4 ohm", lambda x, c=c: x.across(f"r_{c}_leak", 0.4)
        elif re.match(r"r_r\d+$", n):
            ref = n[2:].upper()
            k = log(r, 1.6, 5)
            yield ref, f"drifted to {k:.1f} times", lambda x, n=n, k=k: x.scale(n, k)
            yield ref, "open", lambda x, n=n: x.put(n, 1e8)
        elif re.match(r"[bd]_[vd]\d+(_\d)?$", n):
            ref = n.split("_")[1].upper()
            yield ref, f"{n[2:]} conducts nothing", lambda x, n=n: x.drop(n)
            if n.startswith("d_"):
                yield ref, f"{n[2:]} shorted, 0.4 ohm", lambda x, n=n: x.across(n, 0.4)
            elif n.endswith("_1") or n.count("_") == 1:
                k = log(r, 0.12, 0.4)
                both = [m for m in names if re.match("b_" + ref.lower() + r"(_\d)?$", m)]
                yield ref, f"worn to {100 * k:.0f} %", lambda x, both=both, k=k: [x.scale(m, k) for m in both]
        elif re.match(r"(b|r)_(output|signal|set|grids|power|small|small2|power2|logic|a|b)$", n):
            k = r.choice([log(r, 1.8, 3.5), log(r, 0.15, 0.5)])
            ohms = n.startswith("r_")
            yield n[2:], f"draws {k:.2f} times its current", lambda x, n=n, k=k, ohms=ohms: x.scale(n, 1 / k if ohms else k)
        elif re.match(r"b_u\d$", n):
            yield n[2:].upper(), "pass element shorted, 0.4 ohm", lambda x, n=n: x.across(n, 0.4)
        elif re.match(r"r_t\d+a$", n):
            yield n[2:-1].upper(), "winding open", lambda x, n=n: x.put(n, 1e8) if not x.has(n[:-1] + "b") else [
                x.put(n, 1e8), x.put(n[:-1] + "b", 1e8)]
        elif n == "r_lm_ht2":
            yield "L-HT2", "choke open", lambda x: x.put("r_lm_ht2", 1e8)
    yield "mains", "nothing comes in", lambda x: line(x, 1e-6)
    yield "mains", "voltage setting of twice the mains", lambda x: line(x, 0.5)


def figure(x):
    """As a meter shows it: three figures, nothing below a millivolt."""
    x = float("%.3g" % x)
    return "%g" % round(x, 3)


def main():
    source, seed = pathlib.Path(sys.argv[1]), int(sys.argv[2])
    r = random.Random(seed)
    for old in HERE.glob("*.txt"):
        old.unlink()
    for path in sorted((HERE / "sets").glob("*.json")):
        name = path.stem
        job = json.loads(path.read_text())
        mains = job["set"]["mains"]["volts"]
        spice = json.loads((source / (name + ".out")).read_text())["supply"]["asDrawn"]["spice"]
        lines = [l for l in (spice if isinstance(spice, list) else spice.split("\n"))
                 if l and l[0] in "bcdlrv." and not l.startswith((".tran", ".end", ".meas", ".opt"))]
        nominal = run(Set(name, lines), 1)

        def volts(c):
            node = next(l.split()[1] for l in lines if l.startswith(f"r_{c}_leak"))
            return abs(next((v[0] for p, v in nominal.items() if "n_" + p.lower() == node), 100))

        every = list(faults(Set(name, lines), r, volts))
        r.shuffle(every)
        chosen = every[:12] + [(None, "all parts within their tolerances", lambda x: None)] * 2
        for k, (part, words, act) in enumerate(chosen, 1):
            s = Set(name, lines)
            made(s, r)
            act(s)
            at = 1 + 0.01 * r.gauss(0, 1)
            try:
                shown = run(s, at)
            except (KeyError, StopIteration):
                continue
            meter = lambda v: v * (1 + r.uniform(-0.02, 0.02))
            said = mains * at * (1 + r.uniform(-0.01, 0.01))
            text = [f"# {part or 'sound'}: {words}; {name}, worked out by ngspice", f"job sets/{name}.json"]
            for p in POINTS[name]:
                dc, ac = shown[p]
                text.append(f"{p} {figure(meter(dc))}V line {said:.0f}")
                if r.random() < 0.8:
                    text.append(f"{p} {figure(meter(ac))}V ac line {said:.0f}")
            text.append("= truth " + (part or "sound"))
            (HERE / f"{name}-{k:02d}.txt").write_text("\n".join(text) + "\n")


main()
