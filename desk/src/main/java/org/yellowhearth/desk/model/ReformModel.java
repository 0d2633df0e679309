package org.yellowhearth.desk.model;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.Year;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.reform.Planner;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.link.InstrumentLink;
import org.yellowhearth.instruments.link.LeakageBench;
import org.yellowhearth.instruments.link.LinkAddress;
import org.yellowhearth.instruments.link.LocalLink;
import org.yellowhearth.instruments.link.Transcript;

/**
 * Reform without the window: the capacitors that may be brought up, their plans and runs, and the leakage meter on its line. A rule
 * that stops a run switches the output off before anything else; what happens is in the journal when it happens.
 */
public final class ReformModel {
    /** Channels of a leakage meter that lanes can hang on. */
    public static final int CHANNELS = 4;
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    /** The instrument switches off by itself when it hears nothing for so long. */
    private static final double WATCHDOG_SECONDS = 15;
    private static final double FIRST_READING = 10;
    private static final double RAREST_READING = 300;
    private static final double GROWTH = 12;
    private static final long SEED = 20_261_127;

    private final DeskModel model;
    private final ReadOnlyObjectWrapper<List<Lane>> lanes = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Link> link = new ReadOnlyObjectWrapper<>(Link.NONE);
    private final ReadOnlyObjectWrapper<Optional<Sums>> figures = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final Map<PartRef, Integer> channels = new HashMap<>();
    /** Runs begun since this job was opened: only these can have an output on. */
    private final Set<String> live = new HashSet<>();
    private Optional<Transcript> line = Optional.empty();
    private Optional<LeakageBench> meter = Optional.empty();
    private Optional<ReformPlan> asked = Optional.empty();
    private boolean polling;
    private String openId = "";
    private OptionalDouble benchNow = OptionalDouble.empty();
    private Runnable alarm = () -> {
    };

    /**
     * One capacitor that may be brought up.
     *
     * @param channel of the leakage meter it hangs on; empty where a person reads and types
     */
    public record Lane(Capacitor part, Worth worth, Optional<ReformRun> run, Optional<Judgement> judgement,
            Optional<Integer> channel) {
        public PartRef ref() {
            return part.ref();
        }
    }

    /** A plan and what it means. */
    public record Sums(ReformPlan plan, PlanFigures figures) {
    }

    /** How the line to the leakage meter is. */
    public record Link(State state, String told) {
        /** What the line does. */
        public enum State {
            NONE, CONNECTING, OPEN, LOST
        }

        static final Link NONE = new Link(State.NONE, "");
    }

    /** A reading that came over the line. */
    private record Came(String plan, LeakageBench.Taken taken, String instrument, OptionalDouble bench) {
    }

    private record Due(ReformRun run, int channel) {
    }

    ReformModel(DeskModel model) {
        this.model = model;
        model.openProperty().addListener((_, _, open) -> jobChanged(open));
    }

    public ReadOnlyObjectProperty<List<Lane>> lanesProperty() {
        return lanes.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Link> linkProperty() {
        return link.getReadOnlyProperty();
    }

    /** The figures of the chosen part's plan, once worked out. */
    public ReadOnlyObjectProperty<Optional<Sums>> figuresProperty() {
        return figures.getReadOnlyProperty();
    }

    /** What is done when a rule stops a run. */
    public void onAlarm(Runnable then) {
        alarm = then;
    }

    /** What was said on the line, newest last. */
    public List<Transcript.Line> transcript() {
        return line.map(Transcript::lines).orElse(List.of());
    }

    /** The parts that are under voltage on the bench. */
    public List<PartRef> underVoltage() {
        return lanes.get().stream().filter(ReformModel::running).map(Lane::ref).toList();
    }

    /** The lane of a part. */
    public Optional<Lane> lane(PartRef ref) {
        return lanes.get().stream().filter(l -> l.ref().equals(ref)).findFirst();
    }

    /** A run whose plan is taken back has no lane any more: its output does not stay on. */
    private void jobChanged(Optional<OpenJob> open) {
        String id = open.map(OpenJob::id).orElse("");
        if (!id.equals(openId)) {
            leave();
            openId = id;
            open.ifPresent(o -> pauseOrphans(o.job()));
        }
        List<Lane> before = lanes.get();
        lanes.set(model.openProperty().get().map(this::lanes).orElse(List.of()));
        before.stream().filter(l -> l.channel().isPresent() && running(l) && lane(l.ref()).flatMap(Lane::run).isEmpty())
                .forEach(l -> switchOff(l.channel().get()));
    }

    /** Another job, or none: no output stays on without its lane in sight. */
    private void leave() {
        Set<PartRef> on = new HashSet<>();
        lanes.get().stream().filter(l -> l.run().map(r -> live.contains(r.plan().id())).orElse(false))
                .forEach(l -> on.add(l.ref()));
        on.stream().filter(channels::containsKey).forEach(ref -> switchOff(channels.get(ref)));
        channels.clear();
        live.clear();
        asked = Optional.empty();
        figures.set(Optional.empty());
    }

    /** Runs that the journal leaves under way while nothing of ours drives them: they pause where they were, and it is said. */
    private void pauseOrphans(Job job) {
        List<String> told = new ArrayList<>();
        for (ReformPlan plan : job.items(ReformPlan.class)) {
            ReformRun run = ReformRun.of(plan, job.events());
            if (run.phase() == ReformRun.RunPhase.RUNNING) {
                model.happened(new Reforming.ReformPaused(plan.id(), Reforming.Cause.PROGRAM_ENDED));
                told.add(Labels.of("reform.was-at", plan.part(), run.step() + 1, plan.steps().size()));
            }
        }
        if (!told.isEmpty()) {
            model.tellLast(String.join(" ", told));
        }
    }

    private List<Lane> lanes(OpenJob open) {
        Job job = open.job();
        boolean museum = job.plate().purpose() == SetPlate.Purpose.MUSEUM;
        List<Lane> all = new ArrayList<>();
        for (Assessment a : open.assessments()) {
            if (a.part() instanceof Capacitor c && formed(kind(c))) {
                Optional<Replaceable> how = replaceable(job, c.ref());
                Worth worth = Worth.of(a, c, kind(c),
                        new Worth.Circumstances(job.policy(), museum, how.map(Replaceable::rare).orElse(false),
                                job.plate().age(Year.of(model.now().getYear())),
                                how.map(Replaceable::price).orElse(OptionalDouble.empty())));
                Optional<ReformRun> run = job.item(ReformPlan.idOf(c.ref())).filter(ReformPlan.class::isInstance)
                        .map(p -> ReformRun.of((ReformPlan) p, job.events()));
                all.add(new Lane(c, worth, run, run.map(this::judge), Optional.ofNullable(channels.get(c.ref()))));
            }
        }
        return all;
    }

    private static Optional<Replaceable> replaceable(Job job, PartRef ref) {
        return job.of(ref, Replaceable.class).stream().findFirst();
    }

    /** What is said of how a part could be replaced. */
    public Optional<Replaceable> replaceable(PartRef ref) {
        return replaceable(model.job(), ref);
    }

    /** Says how a part could be replaced. */
    public void say(PartRef ref, boolean rare, OptionalDouble price) {
        model.made(() -> model.put(new Replaceable(Replaceable.idOf(ref), ref, rare, price)));
    }

    private Judgement judge(ReformRun run) {
        return Judgement.of(run, now(run), model.job().aspect(Bench.class).celsius().orElse(Judgement.USUAL_ROOM));
    }

    /** The moment by the clock that the run goes by. */
    private Instant now(ReformRun run) {
        boolean byBench = benchNow.isPresent() && channels.containsKey(run.plan().part());
        return byBench ? ReformRun.benchTime(benchNow.getAsDouble()) : model.now().toInstant();
    }

    private static boolean formed(CapacitorKind kind) {
        return kind.family() == Family.ELECTROLYTIC || kind.family() == Family.TANTALUM;
    }

    private CapacitorKind kind(Capacitor c) {
        return model.knowledge().kind(c.kind());
    }

    // --- plans -----------------------------------------------------------------------------------------------------------------

    /**
     * Plans a capacitor.
     *
     * @param target what it shall stand; its rating where nothing is said
     * @param can its can; a usual one where nobody measured it
     */
    public boolean plan(PartRef ref, ReformPlan.ReformSchool school, OptionalDouble target, Optional<Planner.Can> can) {
        return model.made(() -> {
            Capacitor c = model.job().capacitor(ref).orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-part")));
            double rated = c.ratedVolts().orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-rating", ref)));
            lane(ref).map(Lane::worth).filter(w -> w.answer() == Worth.Answer.NEVER).ifPresent(w -> {
                throw new IllegalArgumentException(Labels.of("reform.never", ref, model.words().say(w.reasons().getFirst())));
            });
            if (lane(ref).flatMap(Lane::run).map(r -> r.phase() == ReformRun.RunPhase.RUNNING).orElse(false)) {
                throw new IllegalArgumentException(Labels.of("reform.running", ref));
            }
            if (formed(kind(c)) && (kind(c).family() == Family.TANTALUM) != (school == ReformPlan.ReformSchool.TANTALUM_SOAK)) {
                throw new IllegalArgumentException(Labels.of("reform.wrong-school", ref));
            }
            model.put(Planner.plan(new Planner.Request(ref, c.farads(), rated, target.orElse(rated), limit(c, rated),
                    can.orElse(Planner.Can.usual(c.farads(), rated)), school)));
        });
    }

    /** The leakage allowed at the rating, by the job's limits. */
    private double limit(Capacitor c, double rated) {
        return new OwnLimits(model.job()).of(kind(c), model.job().policy().limits().limits()).flatMap(l -> l.leakage())
                .map(rule -> rule.amperes(c.farads(), rated)).filter(OptionalDouble::isPresent).map(OptionalDouble::getAsDouble)
                .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-limit", c.ref())));
    }

    /** Works out what the plan of a part means, where that is not known or asked already; the newest question only. */
    public void workOut(PartRef ref) {
        lane(ref).filter(l -> l.run().isPresent()).ifPresent(l -> {
            ReformPlan plan = l.run().orElseThrow().plan();
            if (asked.equals(Optional.of(plan))) {
                return;
            }
            asked = Optional.of(plan);
            double rated = l.part().ratedVolts().orElse(plan.targetVolts());
            model.background().aside(() -> PlanFigures.of(plan, l.part().farads(), rated), done -> {
                if (asked.equals(Optional.of(plan))) {
                    figures.set(Optional.of(new Sums(plan, done)));
                }
            });
        });
    }

    // --- the line --------------------------------------------------------------------------------------------------------------

    /** Connects to the stand-in inside the program, which runs so many times faster than life. */
    public void connectStandIn(double speed) {
        StandInBench bench = StandInBench.usual(() -> model.now().toInstant(), SEED);
        bench.clock().runAt(speed);
        connected(new LocalLink(bench.leakageMeter()));
    }

    /** Connects to an instrument. */
    public void connect(String address) {
        model.made(() -> {
            LinkAddress to = LinkAddress.parse(address);
            disconnect();
            link.set(new Link(Link.State.CONNECTING, to.toString()));
            model.background().aside(() -> {
                try {
                    return new Opened(Optional.of(to.open(PATIENCE)), "");
                } catch (IOException e) {
                    return new Opened(Optional.empty(), e.getMessage());
                }
            }, o -> o.link.ifPresentOrElse(this::connected, () -> link.set(new Link(Link.State.LOST, o.trouble))));
        });
    }

    private record Opened(Optional<InstrumentLink> link, String trouble) {
    }

    private void connected(InstrumentLink opened) {
        Transcript transcript = new Transcript(opened, () -> model.now().toInstant(), LeakageBench.CLOCK::equals);
        model.background().aside(() -> {
            LeakageBench bench = new LeakageBench(transcript);
            try {
                String name = bench.name();
                boolean watched = bench.watchdog(WATCHDOG_SECONDS);
                for (int k = 1; k <= CHANNELS && bench.standIn(); k++) {
                    bench.off(k);
                }
                return new Greeted(bench, name, Labels.of(watched ? "reform.link.watched" : "reform.link.unwatched"), true,
                        bench.benchSeconds());
            } catch (IOException e) {
                return new Greeted(bench, "", e.getMessage(), false, OptionalDouble.empty());
            }
        }, g -> {
            if (g.good) {
                line = Optional.of(transcript);
                meter = Optional.of(g.bench());
                benchNow = g.now;
                link.set(new Link(Link.State.OPEN, g.name + ". " + g.told));
            } else {
                transcript.close();
                link.set(new Link(Link.State.LOST, g.told));
            }
        });
    }

    private record Greeted(LeakageBench bench, String name, String told, boolean good, OptionalDouble now) {
    }

    /** Puts the line down; runs that hang on it pause with their outputs off. */
    public void disconnect() {
        lanes.get().stream().filter(l -> l.channel().isPresent() && running(l)).forEach(l -> pause(l.ref()));
        line.ifPresent(t -> model.background().aside(() -> {
            t.close();
            return true;
        }, _ -> {
        }));
        line = Optional.empty();
        meter = Optional.empty();
        benchNow = OptionalDouble.empty();
        link.set(Link.NONE);
    }

    private static boolean running(Lane l) {
        return l.run().map(r -> r.phase() == ReformRun.RunPhase.RUNNING).orElse(false);
    }

    /** Hangs a part on a channel, or takes it off; not while it runs. */
    public void hang(PartRef ref, Optional<Integer> channel) {
        if (lane(ref).map(ReformModel::running).orElse(false)) {
            model.tell(Labels.of("reform.running", ref), true);
            return;
        }
        channels.values().removeIf(c -> channel.isPresent() && c.equals(channel.get()));
        channel.ifPresentOrElse(c -> channels.put(ref, c), () -> channels.remove(ref));
        model.openProperty().get().ifPresent(o -> lanes.set(lanes(o)));
    }

    private void switchOff(int channel) {
        meter.ifPresent(m -> model.background().aside(() -> {
            try {
                m.off(channel);
                return "";
            } catch (IOException e) {
                return e.getMessage();
            }
        }, trouble -> {
            if (!trouble.isEmpty()) {
                lost(Labels.of("reform.not-off", channel) + " " + trouble);
            }
        }));
    }

    /** The line is gone: every run on it pauses; the instrument's watchdog, where it has one, has its outputs off. */
    private void lost(String why) {
        line.ifPresent(Transcript::close);
        line = Optional.empty();
        meter = Optional.empty();
        link.set(new Link(Link.State.LOST, why));
        lanes.get().stream().filter(l -> l.channel().isPresent() && running(l))
                .forEach(l -> model
                        .happened(new Reforming.ReformPaused(l.run().orElseThrow().plan().id(), Reforming.Cause.LINK_LOST)));
        benchNow = OptionalDouble.empty();
        model.tellLast(Labels.of("reform.lost", why));
        alarm.run();
    }

    // --- runs ------------------------------------------------------------------------------------------------------------------

    /** Switches the output on at the step where the run is; on a linked channel it really goes on. */
    public void begin(PartRef ref) {
        lane(ref).filter(l -> l.run().map(r -> r.phase().mayBegin()).orElse(false)).ifPresent(l -> {
            ReformRun run = l.run().orElseThrow();
            drive(l, run.plan(), run.step(), bench -> {
                live.add(run.plan().id());
                model.happened(new Reforming.ReformBegun(run.plan().id(), run.step(), bench));
            });
        });
    }

    /** Sets the next step. */
    public void next(PartRef ref) {
        lane(ref).filter(ReformModel::running).ifPresent(l -> {
            ReformRun run = l.run().orElseThrow();
            if (!run.last()) {
                drive(l, run.plan(), run.step() + 1,
                        bench -> model.happened(new Reforming.ReformStepped(run.plan().id(), run.step() + 1, bench)));
            }
        });
    }

    private interface Driven {
        void at(OptionalDouble benchSeconds);
    }

    /** Sets supply and output of a linked lane, then goes on; a lane without a line goes on at once, its person sets the supply. */
    private void drive(Lane l, ReformPlan plan, int step, Driven then) {
        if (l.channel().isEmpty()) {
            then.at(OptionalDouble.empty());
            return;
        }
        if (meter.isEmpty()) {
            model.tell(Labels.of("reform.no-line"), true);
            return;
        }
        ReformPlan.Step s = plan.steps().get(step);
        LeakageBench bench = meter.get();
        model.background().aside(() -> {
            try {
                bench.on(l.channel().get(), s.volts(), s.ohms(), s.limitAmperes());
                return new Driving(bench.benchSeconds(), "");
            } catch (IOException e) {
                return new Driving(OptionalDouble.empty(), e.getMessage());
            }
        }, d -> {
            if (d.trouble.isEmpty()) {
                benchNow = d.bench;
                then.at(d.bench);
            } else {
                lost(d.trouble);
            }
        });
    }

    private record Driving(OptionalDouble bench, String trouble) {
    }

    /** Takes a reading that a person made. */
    public void read(PartRef ref, double volts, double amperes, OptionalDouble celsius) {
        lane(ref).filter(ReformModel::running).ifPresent(l -> model.made(() -> take(ref,
                new Reforming.ReformRead(l.run().orElseThrow().plan().id(), volts, amperes, celsius, "",
                        OptionalDouble.empty()))));
    }

    /** Keeps a reading and does at once what the rules ask for. */
    private void take(PartRef ref, Reforming.ReformRead reading) {
        model.inTurn(() -> model.act(reading, () -> follow(ref)));
    }

    private void follow(PartRef ref) {
        lane(ref).filter(ReformModel::running).ifPresent(l -> {
            Judgement j = l.judgement().orElseThrow();
            switch (j.counsel()) {
                case STOP -> {
                    l.channel().ifPresent(this::switchOff);
                    model.happened(new Reforming.ReformStopped(l.run().orElseThrow().plan().id(), j.rule().orElseThrow()));
                    alarm.run();
                }
                case NEXT -> l.channel().ifPresent(_ -> next(ref));
                case FINISH -> l.channel().ifPresent(_ -> finish(ref));
                case USELESS, LATE, WAIT, REST -> {
                    // Shown in the lane; the person decides.
                }
            }
        });
    }

    /** Output off; it may go on later. */
    public void pause(PartRef ref) {
        end(ref, plan -> new Reforming.ReformPaused(plan, Reforming.Cause.PERSON));
    }

    /** Output off, given up, with a reason. */
    public void abort(PartRef ref, String reason) {
        if (reason.isBlank()) {
            model.tell(Labels.of("reform.reason-needed"), true);
            return;
        }
        lane(ref).flatMap(Lane::run).filter(r -> r.phase() != ReformRun.RunPhase.DONE && r.phase() != ReformRun.RunPhase.ABORTED)
                .ifPresent(r -> {
                    lane(ref).flatMap(Lane::channel).ifPresent(this::switchOff);
                    model.happened(new Reforming.ReformAborted(r.plan().id(), reason.strip()));
                });
    }

    /** Output off, the run has come to its end. */
    public void finish(PartRef ref) {
        end(ref, Reforming.ReformFinished::new);
    }

    private interface Ending {
        Reforming of(String plan);
    }

    private void end(PartRef ref, Ending ending) {
        lane(ref).filter(ReformModel::running).ifPresent(l -> {
            l.channel().ifPresent(this::switchOff);
            model.happened(ending.of(l.run().orElseThrow().plan().id()));
        });
    }

    /** Reads what is due on the line; called again and again by the window. */
    public void poll() {
        if (meter.isEmpty() || polling || model.openProperty().get().isEmpty()) {
            return;
        }
        List<Due> running = lanes.get().stream().filter(l -> l.channel().isPresent() && running(l))
                .map(l -> new Due(l.run().orElseThrow(), l.channel().get())).toList();
        LeakageBench bench = meter.get();
        polling = true;
        model.background().aside(() -> readDue(bench, running), polled -> {
            polling = false;
            if (!polled.trouble.isEmpty()) {
                lost(polled.trouble);
                return;
            }
            benchNow = polled.bench;
            polled.came
                    .forEach(c -> lanes.get().stream().filter(l -> l.run().map(r -> r.plan().id().equals(c.plan)).orElse(false))
                            .filter(ReformModel::running).findFirst()
                            .ifPresent(l -> take(l.ref(), new Reforming.ReformRead(c.plan, Math.max(0, c.taken.volts()),
                                    Math.max(0, c.taken.amperes()), OptionalDouble.of(c.taken.celsius()), c.instrument,
                                    c.bench))));
        });
    }

    private record Polled(List<Came> came, OptionalDouble bench, String trouble) {
    }

    private Polled readDue(LeakageBench bench, List<Due> running) {
        try {
            OptionalDouble clock = bench.benchSeconds();
            Instant now = clock.isPresent() ? ReformRun.benchTime(clock.getAsDouble()) : model.now().toInstant();
            List<Came> came = new ArrayList<>();
            for (Due d : running) {
                double at = seconds(d.run.since().orElse(now), now);
                double last = d.run.on().isEmpty() ? 0 : seconds(d.run.since().orElse(now), d.run.on().getLast().at());
                if (at - last >= Math.clamp(at / GROWTH, FIRST_READING, RAREST_READING)) {
                    came.add(new Came(d.run.plan().id(), bench.read(d.channel), bench.name(), clock));
                }
            }
            return new Polled(came, clock, "");
        } catch (IOException e) {
            return new Polled(List.of(), OptionalDouble.empty(), e.getMessage());
        }
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }
}
