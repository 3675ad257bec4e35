package decant.desktop;

import decant.desktop.outtray.OutTrayView;
import decant.desktop.proof.ProofView;
import decant.desktop.publish.PublishView;
import decant.desktop.revise.ReviseView;
import decant.desktop.runs.RunsView;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Arriving;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Frame;
import decant.desktop.shell.Stage;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Stages;
import decant.desktop.shell.Work;
import decant.desktop.takein.ArrivingView;
import decant.desktop.takein.TakeInView;
import decant.desktop.tray.TrayView;
import java.util.Optional;

/** The screens of the program, one for each step. */
record StageViews(Desk desk, Frame frame) implements Stages {
  @Override
  public Stage tray() {
    return new TrayView(desk, frame.actions());
  }

  @Override
  public Stage runs() {
    return new RunsView(desk, frame::window);
  }

  @Override
  public Stage outTray() {
    return new OutTrayView(desk);
  }

  @Override
  public Stage arriving(Arriving file) {
    return new ArrivingView(file);
  }

  @Override
  public Stage of(StageName step, Work work) {
    return switch (step) {
      case TRAY -> tray();
      case RUNS -> runs();
      case OUT_TRAY -> outTray();
      case TAKE_IN -> new TakeInView(desk, work);
      case REVISE -> new ReviseView(desk, work, frame.actions());
      case PROOF -> new ProofView(work, desk::tell);
      case PUBLISH -> new PublishView(desk, work, frame.actions(), frame::window);
    };
  }

  @Override
  public void register(Actions actions) {
    ReviseView.register(actions, desk, frame::window, this::revising);
    RunsView.register(actions, this::running);
  }

  private Optional<RunsView> running() {
    return frame.current().filter(s -> s instanceof RunsView).map(s -> (RunsView) s);
  }

  private Optional<ReviseView> revising() {
    return frame.current().filter(s -> s instanceof ReviseView).map(s -> (ReviseView) s);
  }
}
