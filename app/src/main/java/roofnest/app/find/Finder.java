package roofnest.app.find;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import roofnest.app.models.Models;
import roofnest.core.catalogue.DeviceModel;

/** Finds what was typed among everything of a firm. */
@Service
public class Finder {
    private final FindRepository rows;
    private final Models models;

    Finder(FindRepository rows, Models models) {
        this.rows = rows;
        this.models = models;
    }

    /**
     * One household, and why it is there.
     *
     * @param why what of it was like what was typed; empty when it was its own name or address
     */
    public record Found(long household, String name, String address, String stage, String why) {}

    /**
     * The likest first; none while what was typed is too short.
     *
     * @param most as many at most
     */
    public List<Found> find(long firmId, String typed, int most) {
        Asked asked = Asked.of(typed);
        if (asked.tooShort()) {
            return List.of();
        }
        List<FindRepository.Hit> hits = new ArrayList<>();
        if (asked.standing().isPresent()) {
            hits.addAll(rows.withPromise(firmId, asked, most));
        }
        if (hits.isEmpty()) {
            hits.addAll(rows.like(firmId, asked, most));
        }
        if (hits.size() < most) {
            List<DeviceModel> like = models.of(firmId).stream()
                    .filter(model -> model.fullName().toLowerCase(Locale.ROOT).contains(asked.text())).toList();
            if (!like.isEmpty()) {
                List<Long> there = hits.stream().map(FindRepository.Hit::household).toList();
                rows.withModels(firmId, like.stream().map(DeviceModel::key).toList(),
                        like.stream().map(DeviceModel::fullName).collect(Collectors.joining(" or ")), most).stream()
                        .filter(hit -> !there.contains(hit.household())).limit(most - hits.size()).forEach(hits::add);
            }
        }
        return hits.stream().map(Finder::found).toList();
    }

    private static Found found(FindRepository.Hit hit) {
        String why = switch (hit.kind()) {
            case "person" -> hit.what() + " belongs to it";
            case "serial" -> "serial " + hit.what();
            case "model" -> "has a " + hit.what();
            case "promise" -> hit.what() + (hit.likeness() > 1 ? " and " + (int) (hit.likeness() - 1) + " more" : "");
            default -> "";
        };
        return new Found(hit.household(), hit.name(), hit.address(), hit.stage().title() + (hit.away() ? ", put away" : ""), why);
    }
}
