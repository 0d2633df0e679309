package org.yellowhearth.workshop;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.CounterList;
import org.yellowhearth.core.replace.Shopping;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.storage.partslist.BadListException;
import org.yellowhearth.storage.stock.KitList;
import org.yellowhearth.storage.stock.StockCsv;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Drawer and catalogue of the shop, without the window: what is there, what is spoken for, and
 * every change of it.
 */
public final class StockModel {
  private final DeskModel model;
  private final Shop shop;
  private final Value<Optional<Shelved>> shelved = new Value<>(Optional.empty());
  private List<StockPart> shipped = List.of();

  /**
   * What a shop has, and the jobs that use it.
   *
   * @param shipped the catalogue as it ships
   * @param jobs those that may want something, by their ids, the open one as it stands
   * @param byJob what of the drawer each job has fitted or promised
   * @param uses the same of all
   */
  public record Shelved(
      Stock stock,
      List<StockPart> shipped,
      Map<String, Job> jobs,
      Map<String, Stock.Uses> byJob,
      Stock.Uses uses) {
    Shelved(
        Stock stock,
        List<StockPart> shipped,
        Map<String, Job> jobs,
        Map<String, Stock.Uses> byJob) {
      this(stock, shipped, jobs, byJob, Stock.Uses.sum(byJob.values()));
    }

    /** The catalogue with the shop's changes in it. */
    public List<StockPart> catalogue() {
      return stock.catalogue(shipped);
    }

    /** Everything that can be had now. */
    public List<StockPart> toBeHad() {
      return Stock.toBeHad(catalogue(), stock.drawer(), uses);
    }

    /** Every line by its id. */
    public Map<String, StockPart> byId() {
      return Stream.concat(catalogue().stream(), stock.drawer().stream())
          .collect(Collectors.toMap(StockPart::id, p -> p, (a, _) -> a));
    }

    private Shelved with(Stock now) {
      return new Shelved(now, shipped, jobs, byJob, uses);
    }

    private Shelved with(String id, Job job) {
      Map<String, Job> now = new LinkedHashMap<>(jobs);
      now.put(id, job);
      Map<String, Stock.Uses> using = new HashMap<>(byJob);
      using.put(id, Stock.uses(List.of(job)));
      return new Shelved(stock, shipped, now, using);
    }
  }

  StockModel(DeskModel model, Shop shop) {
    this.model = model;
    this.shop = shop;
    model
        .openProperty()
        .addListener((_, _, open) ->
            open.ifPresent(o ->
                shelved.get().ifPresent(s -> shelved.set(Optional.of(s.with(o.id(), o.job()))))));
  }

  /** What the shop has; none before it was fetched. */
  public Watched<Optional<Shelved>> shelvedProperty() {
    return shelved.watched();
  }

  /** Fetches it anew. */
  public void refresh() {
    model
        .background()
        .keep(
            () -> {
              if (shipped.isEmpty()) {
                shipped = StockCsv.shipped(model.knowledge().kinds().keySet());
              }
              Map<String, Job> jobs = new LinkedHashMap<>();
              shop.shelf().stream()
                  .filter(ShelfLine::watched)
                  .forEach(l -> jobs.put(l.id(), shop.job(l.id())));
              return new Shelved(shop.stock(), shipped, jobs, shop.uses());
            },
            found ->
                shelved.set(
                    Optional.of(
                        model
                            .openProperty()
                            .get()
                            .map(o -> found.with(o.id(), o.job()))
                            .orElse(found))));
  }

  /**
   * Does something to the stock as it stands when its turn comes; what then fits no more is told.
   */
  private void act(Function<Stock, Optional<Stock.Act>> making) {
    model
        .background()
        .keep(
            () -> {
              Stock now = shop.stock();
              return making.apply(now).map(act -> shop.append(act, model.now())).orElse(now);
            },
            now -> shelved.get().ifPresent(s -> shelved.set(Optional.of(s.with(now)))));
  }

  private void change(String id, Function<Optional<StockPart>, Optional<StockPart>> to) {
    act(stock -> {
      Optional<StockPart> before = stock.part(id);
      Optional<StockPart> after = to.apply(before);
      return after.equals(before)
          ? Optional.empty()
          : Optional.of(new Stock.Act.Changed(List.of(new Stock.Change(before, after))));
    });
  }

  /** Adds a line, or puts it in the place of the one with its id. */
  public void put(StockPart part) {
    change(part.id(), _ -> Optional.of(part));
  }

  /** Takes a line out; one of the shipped catalogue stands again as it ships. */
  public void remove(StockPart part) {
    change(part.id(), _ -> Optional.empty());
  }

  /**
   * Says how many of a line were counted in the drawer just now; what jobs have fitted out of it is
   * added again.
   */
  public void count(StockPart part, int now) {
    int gone = shelved.get().map(s -> s.uses().fitted().getOrDefault(part.id(), 0)).orElse(0);
    change(part.id(), before -> before.map(p -> p.counted(now + gone)));
  }

  /** Takes the last change of the stock back. */
  public void undo() {
    act(stock -> number(stock.nextUndo()).map(Stock.Act.TakenBack::new));
  }

  /** Does the change taken back last again. */
  public void redo() {
    act(stock -> number(stock.nextRedo()).map(Stock.Act.DoneAgain::new));
  }

  private static Optional<Integer> number(OptionalInt act) {
    return act.isPresent() ? Optional.of(act.getAsInt()) : Optional.empty();
  }

  /** Brings a list into the drawer or the catalogue, whole or not at all. */
  public void bringIn(Path file, Whence whence) {
    bringIn(file, whence, _ -> {});
  }

  /** The same, and hands over what came in. */
  void bringIn(Path file, Whence whence, Consumer<List<StockPart>> then) {
    bringIn(
        file,
        whence,
        () ->
            new Read(
                StockCsv.read(
                    file,
                    model.knowledge().kinds().keySet(),
                    whence,
                    whence == Whence.DRAWER ? model::newId : () -> ""),
                Map.of(),
                ""),
        read -> then.accept(read.parts));
  }

  /** Brings in a kit, by the columns of the drawer or by plain headings, with where it goes. */
  void bringInKit(Path file, BiConsumer<List<StockPart>, Map<String, List<PartRef>>> then) {
    bringIn(
        file,
        Whence.DRAWER,
        () -> {
          if (StockCsv.ours(file)) {
            return new Read(
                StockCsv.read(
                    file, model.knowledge().kinds().keySet(), Whence.DRAWER, model::newId),
                Map.of(),
                "");
          }
          KitList kit =
              KitList.read(file, model.knowledge(), model.words(), model.now(), model::newId);
          return new Read(kit.parts(), kit.places(), "");
        },
        read -> then.accept(read.parts, read.places));
  }

  private void bringIn(Path file, Whence whence, Supplier<Read> reading, Consumer<Read> then) {
    model
        .background()
        .aside(
            () -> {
              try {
                return reading.get();
              } catch (BadListException e) {
                return new Read(
                    List.of(),
                    Map.of(),
                    Labels.of("shop.refused", file.getFileName(), e.getMessage()));
              }
            },
            read -> {
              if (!read.trouble.isEmpty()) {
                model.tell(read.trouble, true);
                return;
              }
              act(stock -> {
                List<Stock.Change> changes = new ArrayList<>();
                placed(read.parts, stock, whence)
                    .forEach(p -> {
                      if (!stock.part(p.id()).equals(Optional.of(p))) {
                        changes.add(new Stock.Change(stock.part(p.id()), Optional.of(p)));
                      }
                    });
                return changes.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Stock.Act.Changed(changes));
              });
              model
                  .background()
                  .keep(
                      () -> placed(read.parts, shop.stock(), whence),
                      parts -> {
                        model.tell(
                            Labels.of("stock.brought-in", parts.size(), file.getFileName()), false);
                        then.accept(new Read(parts, read.places, ""));
                      });
            });
  }

  /**
   * A line of the drawer that is called like one that lies there is that one, changed in a
   * spreadsheet.
   */
  private static List<StockPart> placed(List<StockPart> parts, Stock stock, Whence whence) {
    if (whence == Whence.CATALOGUE) {
      return parts;
    }
    Map<String, String> ids =
        stock.drawer().stream()
            .collect(Collectors.toMap(StockPart::title, StockPart::id, (a, _) -> a));
    return parts.stream().map(p -> p.called(ids.getOrDefault(p.title(), p.id()))).toList();
  }

  private record Read(List<StockPart> parts, Map<String, List<PartRef>> places, String trouble) {}

  /** A shopping list as a counter asks for it; none while the stock is not read. */
  public Optional<CounterList> counter(Shopping list) {
    return shelved
        .get()
        .map(s -> {
          Map<String, Ware> wares = new HashMap<>();
          s.byId().values().forEach(p -> wares.put(p.id(), p.ware()));
          s.jobs().values().stream()
              .flatMap(j -> j.items(Choice.class).stream())
              .flatMap(c -> c.all().stream())
              .forEach(t -> wares.putIfAbsent(t.stock(), t.ware()));
          return CounterList.of(list, wares, s.catalogue());
        });
  }

  /** Writes a list into a new file. */
  public void takeOut(Path file, String text) {
    model
        .background()
        .keep(
            () -> Shelf.written(file, text.getBytes(StandardCharsets.UTF_8)),
            told -> model.tell(told.text(), told.trouble()));
  }

  /** Writes drawer or catalogue into a new file. */
  public void takeOut(Path file, Whence whence) {
    shelved
        .get()
        .ifPresent(s -> {
          List<StockPart> parts = whence == Whence.DRAWER ? s.stock().drawer() : s.catalogue();
          model
              .background()
              .keep(
                  () -> Shelf.written(file, StockCsv.write(parts).getBytes(StandardCharsets.UTF_8)),
                  told -> model.tell(told.text(), told.trouble()));
        });
  }
}
