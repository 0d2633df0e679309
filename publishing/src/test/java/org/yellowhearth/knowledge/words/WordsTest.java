package org.yellowhearth.knowledge.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.agenda.AgendaWords;
import org.yellowhearth.core.agenda.ClockWatch;
import org.yellowhearth.core.agenda.DueSource;
import org.yellowhearth.core.agenda.Later;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.arrival.Estimate;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.assess.AgreementCriterion;
import org.yellowhearth.core.assess.AssessWords;
import org.yellowhearth.core.assess.Criterion;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.assess.Triage;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.benchline.BenchWords;
import org.yellowhearth.core.cause.Cause;
import org.yellowhearth.core.cause.CauseWords;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DrawingStyle;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.Symptom;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.finaltest.Accuracy;
import org.yellowhearth.core.finaltest.Adjusting;
import org.yellowhearth.core.finaltest.BurnWatch;
import org.yellowhearth.core.finaltest.Drift;
import org.yellowhearth.core.finaltest.FinalTestWords;
import org.yellowhearth.core.finaltest.HeadroomCheck;
import org.yellowhearth.core.finaltest.LoadLine;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.firstpower.FirstPowerWords;
import org.yellowhearth.core.firstpower.PowerUpJudgement;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.firstpower.PowerUpTells;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.FaultRule;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.PeriodRules;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.learn.JobTallies;
import org.yellowhearth.core.learn.WorkDone;
import org.yellowhearth.core.marking.DateCode;
import org.yellowhearth.core.marking.MarkingWords;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.partslist.Colour;
import org.yellowhearth.core.partslist.ColourCode;
import org.yellowhearth.core.partslist.PartsListWords;
import org.yellowhearth.core.practice.Ailment;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Goal;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Agreement;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.MeterLoading;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.ReadingWords;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.ReformWords;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.core.reform.TrialDecay;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.safety.Caution;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Gate;
import org.yellowhearth.core.safety.HazardClass;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.core.trace.NextStep;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.TraceWords;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.publishing.dossier.SetPapers;
import org.yellowhearth.storage.partslist.Column;

public class WordsTest {
  private static final Words BRITISH = Words.of(SetPlate.Dialect.BRITISH);
  private static final Words AMERICAN = Words.of(SetPlate.Dialect.AMERICAN);

  private static Stream<MessageKey> sentences() {
    return Stream.<MessageKey[]>of(
            MarkingWords.values(),
            ReadingWords.values(),
            PartsListWords.values(),
            BenchWords.values(),
            AssessWords.values(),
            AgreementCriterion.SuspicionWords.values(),
            ReplaceWords.values(),
            Caution.CautionWords.values(),
            MainsFit.MainsWords.values(),
            Estimate.EstimateWords.values(),
            Check.CheckWords.values(),
            Gate.GateWords.values(),
            ColourCode.ColourWords.values(),
            TraceWords.values(),
            ReformWords.values(),
            FirstPowerWords.values(),
            FinalTestWords.values(),
            AgendaWords.values(),
            CauseWords.values(),
            PracticeWords.values(),
            StoryWords.values())
        .flatMap(Stream::of);
  }

  private static Stream<Coded> terms() {
    return Stream.<Coded[]>of(
            Verdict.values(),
            Criterion.values(),
            State.values(),
            Triage.Heap.values(),
            Finding.Outcome.values(),
            Finding.Limit.Side.values(),
            Figure.values(),
            Mode.values(),
            Connection.values(),
            Agreement.Suspicion.values(),
            Role.values(),
            Role.Duty.values(),
            Polarity.values(),
            Family.values(),
            Source.Standing.values(),
            LimitProfile.values(),
            SetPlate.Kind.values(),
            SetPlate.Technology.values(),
            SetPlate.Chassis.values(),
            SetPlate.Purpose.values(),
            SetPlate.Dialect.values(),
            Edit.Power.values(),
            ChargeState.values(),
            OwnTask.TaskKind.values(),
            DueSource.values(),
            Agenda.Bucket.values(),
            Later.values(),
            ClockWatch.Jump.values(),
            Adjustment.Adjusted.values(),
            Adjusting.AdjustState.values(),
            HeadroomCheck.HeadroomState.values(),
            ProofFigure.Measurand.values(),
            FaultTrail.Outcome.values(),
            Cause.Standing.values(),
            WorkDone.Work.values(),
            JobTallies.Heat.values(),
            Theme.values(),
            Goal.values(),
            Ailment.values(),
            Debrief.Mark.values(),
            Measuring.values(),
            Caution.Level.values(),
            Policy.WhenToRenew.values(),
            Policy.VoltageRating.values(),
            Policy.CapacitanceChoice.values(),
            Policy.OldElectrolytics.values(),
            Policy.Appearance.values(),
            Policy.Tantalum.values(),
            Policy.Rectifiers.values(),
            Policy.Paper.values(),
            Policy.Profile.values(),
            Feature.values(),
            Symptom.values(),
            Phase.values(),
            Build.Pole.values(),
            MainsEntry.Cord.values(),
            MainsEntry.Plug.values(),
            MainsEntry.FusePlace.values(),
            MainsEntry.SwitchPlace.values(),
            MainsEntry.Earth.values(),
            Observation.Sign.values(),
            Photograph.Side.values(),
            TakeApartStep.Fixing.values(),
            Wish.Kind.values(),
            Wish.Wanted.values(),
            Rail.Bleeder.values(),
            CheckResult.Outcome.values(),
            Edit.Question.values(),
            MainsFit.Severity.values(),
            Ages.Standing.values(),
            Estimate.Advice.values(),
            DateCode.Settled.values(),
            HazardClass.values(),
            CautionRule.Moment.values(),
            Sort.values(),
            Resistor.Make.values(),
            Resistor.Task.values(),
            Potentiometer.Taper.values(),
            RectifierTechnology.values(),
            Transistor.Channel.values(),
            Transistor.Material.values(),
            Valve.Task.values(),
            IntegratedCircuit.Task.values(),
            Winding.Task.values(),
            Fuse.Speed.values(),
            Battery.Chemistry.values(),
            CanMark.values(),
            Qualifier.values(),
            Bound.End.values(),
            Contact.values(),
            MeterLoading.Meter.values(),
            VisualInspection.Sign.values(),
            StatedValue.Origin.values(),
            Place.Height.values(),
            Place.Neighbour.values(),
            LoadLine.Held.values(),
            Place.Attachment.values(),
            LimitChange.Which.values(),
            DrawingStyle.CapitalM.values(),
            DossierScope.Section.values(),
            SetPapers.Kind.values(),
            SupplyRectifier.Scheme.values(),
            RectifierTechnology.values(),
            SupplyLoad.Kind.values(),
            SupplyRegulator.Kind.values(),
            Parameter.Which.values(),
            Origin.values(),
            SupplyReading.Kind.values(),
            SupplyReading.State.values(),
            SupplyTarget.Follows.values(),
            Fault.Mode.values(),
            NextStep.Way.values(),
            Preset.values(),
            FaultRule.Sum.values(),
            SupplyConverter.Shape.values(),
            SupplyRectifier.Heating.values(),
            SupplyRules.Place.values(),
            SupplyRules.How.values(),
            SupplyModel.View.values(),
            ReformPlan.ReformSchool.values(),
            Ending.Chore.values(),
            Ending.Upshot.values(),
            Choice.Joined.values(),
            Choice.Way.values(),
            Choice.Whence.values(),
            Fitting.MeterSign.values(),
            Fitting.Debt.values(),
            BenchTask.Doing.values(),
            Leads.values(),
            SafetyClass.values(),
            Demand.Circumstance.values(),
            PeriodRules.Subject.values(),
            PowerUpPlan.Warm.values(),
            PowerUpPlan.PowerUpKind.values(),
            PowerUpPlan.Shows.values(),
            PowerUpRun.PowerUpPhase.values(),
            PowerUpTells.values(),
            PowerUpJudgement.PowerUpCounsel.values(),
            PoweringUp.StopCause.values(),
            FunctionCheck.FunctionOutcome.values(),
            BurnIn.BurnEnd.values(),
            Accuracy.AccuracyVerdict.values(),
            Drift.DriftVerdict.values(),
            BurnWatch.BurnCounsel.values(),
            VoltageChart.ChartVerdict.values(),
            Schedule.Deed.values(),
            Reforming.Cause.values(),
            Reforming.Rule.values(),
            ReformRun.RunPhase.values(),
            Judgement.Counsel.values(),
            Worth.Answer.values(),
            TrialDecay.Decay.values(),
            Colour.values(),
            ColourCode.Scheme.values(),
            Column.values())
        .flatMap(Stream::of);
  }

  /** What asks for the words of an item. */
  private static String facts() {
    try {
      return Files.readString(
          Path.of(
              System.getProperty("hearth.root"),
              "knowledge/src/main/java/org/yellowhearth/knowledge/words/Facts.java"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Set<String> keys() {
    Set<String> keys =
        new TreeSet<>(
            Set.of(
                "Way.above",
                "Way.below",
                "Clip.behind-lamp",
                "Clip.heaters",
                "PowerUp.valves-out",
                "Trail.swapped-back",
                "Trail.came-back"));
    terms()
        .filter(Policy.School.class::isInstance)
        .forEach(t -> keys.add("Meaning." + t.getClass().getSimpleName() + "." + t.code()));
    sentences().map(MessageKey::key).forEach(keys::add);
    terms().map(t -> t.getClass().getSimpleName() + "." + t.code()).forEach(keys::add);
    for (Class<?> type : Aspect.class.getPermittedSubclasses()) {
      keys.add("Aspect." + RecordJson.tag(type));
      Stream.of(type.getRecordComponents())
          .forEach(c -> keys.add("Field." + RecordJson.tag(type) + "." + c.getName()));
    }
    Pattern.compile("\"(Fact\\.[a-z-]+)\"")
        .matcher(facts())
        .results()
        .forEach(m -> keys.add(m.group(1)));
    RecordJson.records(Item.class).forEach(t -> keys.add("Item." + RecordJson.tag(t)));
    KnowledgeFiles.read().faultSigns().forEach(f -> keys.add("FaultSign." + f.id()));
    KnowledgeFiles.read()
        .faultRules()
        .forEach(f -> keys.addAll(Set.of("Mechanism." + f.id(), "Measure." + f.id())));
    KnowledgeFiles.read().supply().inside().forEach(i -> keys.add("Inside." + i.id()));
    KnowledgeFiles.read()
        .cautions()
        .forEach(c -> keys.addAll(Set.of("Danger." + c.id(), "Precaution." + c.id())));
    KnowledgeFiles.read()
        .kinds()
        .values()
        .forEach(k -> {
          keys.addAll(List.of("Capacitor." + k.id(), "Fails." + k.id(), "Shows." + k.id()));
          k.hazards().forEach(h -> keys.add("Hazard." + h));
        });
    Stream.of(Role.values()).forEach(role -> keys.add("Leaves." + role.code()));
    KnowledgeFiles.read().period().customs().forEach(c -> keys.add("Custom." + c.id()));
    Stream.of(Sort.values()).forEach(sort -> keys.add("Reads." + sort.code()));
    Stream.of(Sort.values())
        .filter(sort -> sort != Sort.CAPACITOR)
        .forEach(sort -> keys.add("Leaves.sort-" + sort.code()));
    return keys;
  }

  private static Set<String> written(String file) throws IOException {
    Properties p = new Properties();
    try (Reader r =
        new InputStreamReader(Words.class.getResourceAsStream(file), StandardCharsets.UTF_8)) {
      p.load(r);
    }
    return p.stringPropertyNames();
  }

  @Test
  public void everythingCoreCanSayHasWordsInBothDialects() {
    for (String key : keys()) {
      assertThat(BRITISH.has(key)).as(key).isTrue();
      assertThat(AMERICAN.has(key)).as(key).isTrue();
    }
  }

  @Test
  public void noWordsAreLeftOver() throws IOException {
    assertThat(new TreeSet<>(written("words.properties"))).isEqualTo(keys());
    assertThat(keys()).containsAll(written("words_american.properties"));
  }

  @Test
  public void theDialectsDifferWhereTheWorkshopsDo() {
    assertThat(BRITISH.word(SetPlate.Technology.VALVE)).isEqualTo("valves");
    assertThat(AMERICAN.word(SetPlate.Technology.VALVE)).isEqualTo("tubes");
    assertThat(AMERICAN.capacitorKind("paper-moulded")).isEqualTo("molded paper");
  }

  /**
   * What one workshop would not say is said otherwise there, or nowhere (common practice of the
   * trade's words). A line that is to be typed stays as it is typed.
   */
  @Test
  public void noBritishWordIsLeftInTheAmericanWorkshop() throws IOException {
    Pattern british =
        Pattern.compile(
            "\\b(valves?|earth(ed|s)?|mains|aerial|aluminium|colour\\w*|centre\\w*|moulding|grey|polarised|licence)\\b",
            Pattern.CASE_INSENSITIVE);
    Properties american = new Properties();
    for (String file : List.of("words.properties", "words_american.properties")) {
      try (Reader r =
          new InputStreamReader(Words.class.getResourceAsStream(file), StandardCharsets.UTF_8)) {
        american.load(r);
      }
    }
    assertThat(
            american.stringPropertyNames().stream()
                .filter(k -> !k.startsWith("BenchWords.") && !k.equals("Dialect.british"))
                .filter(k -> british.matcher(american.getProperty(k)).find()))
        .isEmpty();
  }

  @Test
  public void gapsAreFilledWithFiguresTextsTermsAndSentences() {
    assertThat(
            BRITISH.say(
                Message.of(
                    AssessWords.LEAKAGE_HIGH, Quantity.amperes(2e-3), Quantity.amperes(1e-3))))
        .isEqualTo("Leakage 2 mA is above 1 mA.");
    assertThat(BRITISH.say(Message.of(AssessWords.BECAUSE_BAD, Criterion.CAPACITANCE_KEPT.term())))
        .isEqualTo("Fails on: capacitance kept.");
    assertThat(BRITISH.say(Message.of(StoryWords.UNDID, Message.of(StoryWords.LIT))))
        .isEqualTo("Undone: The set was put under power.");
    assertThatThrownBy(() -> Message.of(StoryWords.NOTE, 5))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> BRITISH.capacitorKind("cheese"))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void theJournalTellsAStory() {
    SetPlate plate = SetPlate.named("Story set");
    List<Edit> edits =
        List.of(
            new Edit.Arrived(plate, Policy.USUAL),
            new Edit.PlateChanged(
                plate, plate.with(p -> p.mains = Optional.of(new SetPlate.Mains(110, 0)))),
            new Edit.PolicyChanged(Policy.USUAL, Policy.USUAL.with(Policy.Paper.LEAKAGE_DECIDES)),
            new Edit.NoteWritten("Oddly warm."));
    Job job =
        Job.of(
            IntStream.range(0, edits.size())
                .mapToObj(i ->
                    new Entry(i, Instant.EPOCH.atZone(ZoneOffset.UTC), new Act.Did(edits.get(i))))
                .toList());
    Describe describe = new Describe(BRITISH);
    assertThat(job.journal())
        .extracting(e -> describe.entry(job, e))
        .containsExactly(
            "The set came in: Story set.",
            "The set details were changed: mains — → 110 V DC.",
            "The policy was changed: paper and wax replaced on sight → leakage test at working voltage decides.",
            "Oddly warm.");
  }
}
