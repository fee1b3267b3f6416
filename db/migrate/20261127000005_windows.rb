# Who acted last in a project, and since when nobody else did: so that what one window
# sends quickly is told from what others did meanwhile. A count with each, for whoever
# asks whether anything happened.
class Windows < ActiveRecord::Migration[7.2]
  def change
    change_table :projects do |t|
      t.bigint :version, null: false, default: 0 # grows with each change, undo and redo
      t.text :turned_by # the window that did the last
      t.bigint :turned_from, null: false, default: 0 # the version since which nobody else did
    end
    change_table :hands do |t|
      t.bigint :version, null: false, default: 0 # grows with each content
      t.text :held_in # the window that put it in hand
      t.datetime :used_at, null: false, default: -> { "now()" }
    end
  end
end
