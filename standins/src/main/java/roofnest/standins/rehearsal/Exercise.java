package roofnest.standins.rehearsal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.pairing.Setting;
import roofnest.standins.Fault;
import roofnest.standins.Place;

/**
 * A set exercise: devices of one house to be joined one after another.
 *
 * @param number by which it is called
 * @param story what the household has and wants, in two sentences
 * @param refusal why one of its ways is rightly refused; empty when everything can be joined
 */
public record Exercise(int number, String title, String story, List<Part> parts, String refusal) {
    public Exercise {
        parts = List.copyOf(parts);
    }

    /**
     * One device of it.
     *
     * @param way that the story goes
     * @param faults that belong to the story
     */
    public record Part(Joinable device, Way way, Setting setting, Place place, Set<Fault> faults) {
        public Part {
            faults = faults.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(faults));
        }
    }

    /** From 1, plain, to 3: by what goes wrong in its story and how many devices it has. */
    public int level() {
        int troubles = parts.stream()
                .mapToInt(part -> part.faults().size() + (part.place().addressOutside() ? 1 : 0) + (part.place().barred() ? 1 : 0)).sum()
                + (parts.size() - 1);
        return troubles == 0 ? 1 : troubles <= 2 ? 2 : 3;
    }

    /** Faults that could be hidden in it beside those of its story. */
    public Set<Fault> applicable() {
        Set<Fault> faults = EnumSet.noneOf(Fault.class);
        for (Fault fault : Fault.values()) {
            if (parts.stream().anyMatch(part -> applies(fault, part))) {
                faults.add(fault);
            }
        }
        return faults;
    }

    /** Faults of each part: those of its story, and each hidden one in the first part that it concerns. */
    public List<List<Fault>> faultsByPart(Set<Fault> hidden) {
        List<Fault> left = new ArrayList<>(hidden);
        List<List<Fault>> byPart = new ArrayList<>();
        for (Part part : parts) {
            List<Fault> here = left.stream().filter(fault -> applies(fault, part)).toList();
            left.removeAll(here);
            List<Fault> all = new ArrayList<>(part.faults());
            all.addAll(here);
            all.sort(null);
            byPart.add(all);
        }
        return byPart;
    }

    private static boolean applies(Fault fault, Part part) {
        boolean antenna = fault != Fault.LOOSE_ANTENNA || part.device().radio().antenna();
        boolean letter = fault != Fault.MAIL_LOST || part.faults().contains(Fault.PASSWORD_FORGOTTEN);
        return fault.concerns(part.way()) && antenna && letter && !part.faults().contains(fault);
    }
}
