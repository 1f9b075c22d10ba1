import { useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Modal from "react-bootstrap/Modal";
import { ApiError, type PracticePage } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { useFilePick } from "../ui/file-pick";
import { MoreMenu } from "../ui/more-menu";
import { exportCalls, useAddPerson, useImportCalls, useSavePerson } from "./queries";

type Props = {
  page: PracticePage;
  onChoose: (person: string) => void;
  onGone: (person: { id: string; name: string }) => void;
};

/** Whose practice is shown, and what there is to do with it. */
export function People({ page, onChoose, onGone }: Props) {
  const { t } = useTranslation();
  const [naming, setNaming] = useState<"add" | "rename" | null>(null);
  const save = useSavePerson();
  const take = useImportCalls();
  const file = useFilePick({ accept: ".csv,text/csv", onFile: (f) => take.mutate(f) });
  const now = page.people.find((p) => p.id === page.person);
  const name = (p: { name: string }) => p.name || t("practice.you");
  const why = take.error instanceof ApiError ? take.error.problem?.detail : undefined;
  return (
    <>
      <span className="eye-person">{now ? name(now) : t("practice.you")}</span>
      <MoreMenu label={t("practice.people")} end>
        {page.people.map((p) => (
          <Dropdown.Item as="button" key={p.id} active={p.id === page.person} onClick={() => onChoose(p.id)}>
            {name(p)}
          </Dropdown.Item>
        ))}
        <Dropdown.Item as="button" onClick={() => setNaming("add")}>
          {t("practice.someoneElse")}
        </Dropdown.Item>
        {now && (
          <>
            <Dropdown.Divider />
            <Dropdown.Item as="button" onClick={() => setNaming("rename")}>
              {t("practice.rename")}
            </Dropdown.Item>
            <Dropdown.Item
              as="button"
              onClick={() =>
                save.mutate(
                  { id: now.id, name: now.name, gone: true },
                  { onSuccess: () => onGone({ id: now.id, name: now.name }) },
                )
              }
            >
              {t("practice.putAway")}
            </Dropdown.Item>
          </>
        )}
        <Dropdown.Divider />
        <Dropdown.Item href={exportCalls(page.person)} download>
          {t("practice.export")}
        </Dropdown.Item>
        <Dropdown.Item as="button" onClick={file.pick}>
          {t("practice.import")}
        </Dropdown.Item>
      </MoreMenu>
      {file.hidden}
      {take.isSuccess && (
        <p className="hint eye-wide" role="status">
          {t("practice.imported", { count: take.data.calls })}
        </p>
      )}
      {(take.isError || save.isError) && (
        <p className="note note-reason eye-wide" role="alert">
          {take.isError
            ? t("practice.importFailed", { why: why ?? t("problem.unavailable") })
            : t("practice.saveFailed")}
        </p>
      )}
      {naming && (
        <NameDialog
          of={naming === "rename" ? now : undefined}
          onClose={() => setNaming(null)}
          onAdded={(id) => onChoose(id)}
        />
      )}
    </>
  );
}

type NameProps = {
  of: { id: string; name: string } | undefined;
  onClose: () => void;
  onAdded: (id: string) => void;
};

function NameDialog({ of, onClose, onAdded }: NameProps) {
  const { t } = useTranslation();
  const [name, setName] = useState(of?.name ?? "");
  const add = useAddPerson();
  const save = useSavePerson();
  const failed = add.error ?? save.error;
  const act = () => {
    if (of) save.mutate({ id: of.id, name }, { onSuccess: onClose });
    else
      add.mutate(name, {
        onSuccess: (p) => {
          onAdded(p.id);
          onClose();
        },
      });
  };
  const title = t(of ? "practice.rename" : "practice.someoneElse");
  return (
    <Dialog id="person-title" title={title} size="lg" onClose={onClose}>
      <Modal.Body>
        <label className="form-label" htmlFor="person-name">
          {t("practice.name")}
        </label>
        <input
          id="person-name"
          className="form-control"
          value={name}
          maxLength={60}
          // A dialog of one field begins in it.
          // eslint-disable-next-line jsx-a11y/no-autofocus
          autoFocus
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter" && name.trim()) act();
          }}
        />
        {failed && (
          <p className="note note-reason" role="alert">
            {t(
              failed instanceof ApiError && failed.problem?.code === "too-many"
                ? "practice.tooMany"
                : "practice.saveFailed",
            )}
          </p>
        )}
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t(of ? "practice.keep" : "practice.add")}
        ready={name.trim() !== "" && !add.isPending && !save.isPending}
        onAct={act}
      />
    </Dialog>
  );
}
