package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.prefs.BackingStoreException;
import java.util.prefs.Preferences;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.desk.model.Background;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.PracticeSession;
import org.yellowhearth.records.photo.PhotoStore;
import org.yellowhearth.records.store.Shop;

/** An exercise through the very models of real work: solved well, solved in a hurry, and with real consequences. */
public class PracticeModelTest {
    private static final ExerciseMaker MAKER = new ExerciseMaker(Rooms.KNOWLEDGE);
    private final MovedClock clock = new MovedClock();
    private Shop shop;

    @BeforeMethod
    public void openShop() {
        shop = Rooms.shop(Rooms.folder());
    }

    @AfterMethod
    public void closeShop() {
        shop.close();
    }

    private PracticeSession begin(Theme theme) {
        DeskModel model = new DeskModel(shop, new PhotoStore(Rooms.folder()), Rooms.KNOWLEDGE, clock,
                new Background(Runnable::run, Runnable::run, Runnable::run));
        return new PracticeSession(model, shop, MAKER.make(theme, 1));
    }

    private static void measure(PracticeSession s, PartRef ref, Measuring... how) {
        s.model().chosenProperty().set(java.util.Optional.of(ref));
        for (Measuring m : how) {
            s.measure(m);
        }
    }

    private static Debrief end(PracticeSession s) {
        s.handIn();
        return s.debriefProperty().get().orElseThrow();
    }

    /** Who puts the meter on a rail that still holds its charge ends there, and is told why. */
    @Test
    public void touchingAChargedRailEndsIt() {
        PracticeSession s = begin(Theme.CHARGED_TRANSMITTER);
        assertThat(s.exercise().charged()).isGreaterThan(100);
        measure(s, s.exercise().rail().parts().getFirst(), Measuring.LCR);
        Debrief d = s.debriefProperty().get().orElseThrow();
        assertThat(d.ended()).isTrue();
        assertThat(d.score()).isZero();
        assertThat(d.remarks()).extracting(m -> m.key()).contains(PracticeWords.TOUCHED);
        assertThat(s.model().job().readings()).as("nothing was read").isEmpty();
    }

    /** Measured, discharged through a resistor for five time constants and more, measured again: now it may be touched. */
    @Test
    public void dischargedFirstItMayBeMeasured() {
        PracticeSession s = begin(Theme.CHARGED_TRANSMITTER);
        Exercise e = s.exercise();
        DeskModel model = s.model();
        s.measureRail();
        assertThat(model.background().noticeProperty().get().trouble()).isTrue();
        model.happened(new Edit.ClipPut(e.rail().id(), 10_000));
        clock.goOn(Duration.ofSeconds(5));
        model.happened(new Edit.ClipTaken(e.rail().id()));
        s.measureRail();
        assertThat(model.background().noticeProperty().get().trouble()).isFalse();
        for (Part p : e.parts()) {
            measure(s, p.ref(), Measuring.LCR, Measuring.LEAKAGE);
        }
        Debrief d = end(s);
        assertThat(d.ended()).isFalse();
        assertThat(d.lines()).noneMatch(l -> l.mark() == Debrief.Mark.MISSED || l.mark() == Debrief.Mark.NEEDLESS);
        assertThat(d.score()).isGreaterThan(40);
        assertThat(d.readings()).isEqualTo(model.job().readings().size());
        // After the end nothing counts any more.
        s.hint();
        measure(s, e.parts().getLast().ref(), Measuring.LCR);
        assertThat(model.job().readings()).hasSize(d.readings());
    }

    /** Full mains before anything was looked at, past the real gate: a short on the rail burns the supply, and that is told with its part. */
    @Test
    public void aRushedWakeWrecksTheSet() {
        for (Theme theme : Theme.values()) {
            PracticeSession s = begin(theme);
            boolean wrecks = FullPower.wrecks(s.exercise(), s.model().job()).isPresent();
            s.model().power(Edit.Power.LIT);
            s.model().gateProperty().get().ifPresent(g -> g.goOn().accept("to hear whether it still plays"));
            assertThat(s.model().job().power()).contains(Edit.Power.LIT);
            assertThat(s.debriefProperty().get().isPresent()).as(theme.code()).isEqualTo(wrecks);
            if (wrecks) {
                Debrief d = s.debriefProperty().get().orElseThrow();
                assertThat(d.ended()).isTrue();
                assertThat(d.score()).isZero();
            } else {
                assertThat(end(s).remarks()).extracting(m -> m.key()).contains(PracticeWords.PLAYS);
            }
        }
    }

    @Test
    public void hintsHelpAndCost() {
        PracticeSession plain = begin(Theme.HUMMING_RECEIVER);
        int without = end(plain).score();
        PracticeSession s = begin(Theme.HUMMING_RECEIVER);
        s.hint();
        PartRef hinted = s.model().chosenProperty().get().orElseThrow();
        assertThat(s.model().background().noticeProperty().get().text()).contains(hinted.toString());
        assertThat(end(s).score()).isEqualTo(Math.max(0, without - 6));
    }

    @Test
    public void scoresAreRemembered() throws BackingStoreException {
        Preferences node = Preferences.userRoot().node("org/yellowhearth-test/" + UUID.randomUUID());
        DeskModel model = begin(Theme.NOTHING_WRONG).model();
        model.practice().rememberIn(node);
        List<Exercise> begun = new java.util.ArrayList<>();
        model.practice().onBegin(begun::add);
        model.practice().begin(Theme.MANY_FAULTS, 42);
        assertThat(begun).containsExactly(MAKER.make(Theme.MANY_FAULTS, 42));
        model.practice().scored(Theme.MANY_FAULTS, 70);
        model.practice().scored(Theme.MANY_FAULTS, 55);
        assertThat(model.practice().best(Theme.MANY_FAULTS)).isEqualTo(70);
        assertThat(model.practice().history(Theme.MANY_FAULTS)).containsExactly(70, 55);
        for (int k = 0; k < 12; k++) {
            model.practice().scored(Theme.SHORT_RASTER, k);
        }
        assertThat(model.practice().history(Theme.SHORT_RASTER)).as("the last ten, the oldest first").hasSize(10).startsWith(2)
                .endsWith(11);
        assertThat(model.practice().times(Theme.MANY_FAULTS)).isEqualTo(2);
        assertThat(model.practice().times(Theme.LEAKY_COUPLER)).isZero();
        node.removeNode();
    }
}
