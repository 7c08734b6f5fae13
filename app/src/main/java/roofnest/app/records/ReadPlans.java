package roofnest.app.records;

import org.springframework.stereotype.Component;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import roofnest.app.watch.Metrics;
import roofnest.core.document.DocumentRefused;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;

/** Stored plan documents as plans; the most lately used stay read, since one board asks for its plan many times a second. */
@Component
public class ReadPlans {
    private static final int KEPT = 64;

    private final LoadingCache<String, HousePlan> byDocument;

    ReadPlans(PlanDocument documents, Metrics metrics) {
        byDocument = metrics.watched("plans", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build(text -> read(documents, text)));
    }

    /** The plan of a document that was checked when it was stored. */
    public HousePlan plan(String document) {
        return byDocument.get(document);
    }

    private static HousePlan read(PlanDocument documents, String text) {
        try {
            return documents.read(text);
        } catch (DocumentRefused e) {
            throw new IllegalStateException("a stored plan no longer reads", e);
        }
    }
}
