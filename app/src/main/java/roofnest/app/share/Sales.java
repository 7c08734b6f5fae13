package roofnest.app.share;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.models.Models;
import roofnest.app.records.HubRepository;

/** What a house that is sold still wants. */
@Service
public class Sales {
    private final HubRepository hubs;
    private final Models models;

    Sales(HubRepository hubs, Models models) {
        this.hubs = hubs;
        this.models = models;
    }

    public SaleView of(Frame frame) {
        return SaleView.of(frame,
                hubs.of(frame.ref().id()).stream().map(hub -> new SaleView.Hub(hub, models.hub(hub.modelKey()))).toList());
    }
}
