# What is known of a browser: the name that signs its changes. It stood in the session,
# which answers that cross each other take back.
class Visitors < ActiveRecord::Migration[7.2]
  def change
    create_table :visitors, id: false do |t|
      t.text :mark, null: false, primary_key: true # see Frame::AtDesk#visitor
      t.text :who
    end
  end
end
