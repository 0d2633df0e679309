package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Map;
import org.yellowhearth.core.part.Role;

/** What the trade knows, read from files and handed to core as values. */
public record Knowledge(
    Map<String, CapacitorKind> kinds,
    Map<String, Source> sources,
    Vocabulary vocabulary,
    List<CautionRule> cautions,
    Map<Role, RoleRule> roles,
    List<PartRule> partRules,
    List<PartWear> partWear,
    List<FaultRule.Sign> faultSigns,
    List<FaultRule> faultRules,
    SupplyRules supply,
    SubstitutionRules renew,
    PeriodRules period,
    EsrChart esrChart,
    List<FunctionRule> functions,
    Devices devices) {
  public Knowledge {
    kinds = Map.copyOf(kinds);
    sources = Map.copyOf(sources);
    cautions = List.copyOf(cautions);
    roles = Map.copyOf(roles);
    partRules = List.copyOf(partRules);
    partWear = List.copyOf(partWear);
    faultSigns = List.copyOf(faultSigns);
    faultRules = List.copyOf(faultRules);
    functions = List.copyOf(functions);
  }

  /** The kind with this id; one that is not known is a fault of the program. */
  public CapacitorKind kind(String id) {
    CapacitorKind kind = kinds.get(id);
    if (kind == null) {
      throw new IllegalArgumentException("unknown kind of capacitor: " + id);
    }
    return kind;
  }

  /** What a role asks of its part; the role nobody stated asks nothing special. */
  public RoleRule role(Role role) {
    return roles.getOrDefault(role, RoleRule.PLAIN);
  }

  /** The source with this id; one that is not listed is a fault of the program. */
  public Source source(String id) {
    Source source = sources.get(id);
    if (source == null) {
      throw new IllegalArgumentException("unknown source: " + id);
    }
    return source;
  }
}
