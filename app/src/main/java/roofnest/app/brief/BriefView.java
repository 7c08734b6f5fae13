package roofnest.app.brief;

import java.util.List;

import roofnest.app.household.Frame;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.PromiseLine;
import roofnest.core.access.Access;
import roofnest.core.plan.Area;
import roofnest.core.plan.Place;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.week.SourceKind;

/** The brief: promises as written, what can be chosen for new ones, the people. */
record BriefView(
        List<PromiseLine> written, List<Place> places, List<Walk> paths, List<Area> areas, List<DetailLevel> levels, List<Light> lights,
        List<ResidentRepository.Resident> people, List<Access.Tie> ties, List<SourceKind> sources, boolean hasPlan) {
    static BriefView of(Frame frame, List<ResidentRepository.Resident> people) {
        List<PromiseLine> written = frame.judgement().promises().stream()
                .filter(judged -> judged.promise().key().value().startsWith("p"))
                .map(judged -> PromiseLine.of(judged, frame.facts())).toList();
        return new BriefView(written,
                frame.facts().plan().map(plan -> plan.places()).orElse(List.of()),
                frame.facts().plan().map(plan -> plan.paths()).orElse(List.of()),
                frame.facts().plan().map(plan -> plan.areas().stream()
                        .filter(area -> area.kind().offLimits() || area.kind() == Area.Kind.ROAD).toList()).orElse(List.of()),
                List.of(DetailLevel.values()), List.of(Light.values()), people, List.of(Access.Tie.values()), List.of(SourceKind.values()),
                frame.facts().plan().isPresent());
    }

    /** The number in a written promise's key, for taking it out. */
    public long idOf(PromiseLine line) {
        return Long.parseLong(line.key().substring(1));
    }
}
